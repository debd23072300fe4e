import { readFileSync } from 'node:fs';
import { neededBy, pagesIn, scriptWith } from './pages.mjs';
import { at } from './process.mjs';

const imports = (kind, ...paths) => paths.map((path) => ({ path, kind }));
const stats = {
  outputs: {
    'main.js': {
      inputs: { 'src/main.ts': {} },
      imports: [...imports('import-statement', 'a.js', 'b.js'), ...imports('dynamic-import', 'later.js')],
    },
    'a.js': { inputs: {}, imports: imports('import-statement', 'b.js') },
    'b.js': { inputs: {}, imports: imports('import-statement', 'c.js', 'a.js') },
    'c.js': { inputs: {}, imports: [] },
    'later.js': { inputs: {}, imports: [] },
  },
};

describe('the scripts that one needs', () => {
  it('are its own and those that these need, each once, not those that it may ask for later', () => {
    expect([...neededBy(stats, 'main.js')]).toEqual(['main.js', 'a.js', 'b.js', 'c.js']);
  });

  it('are found by the source that stands in one', () => {
    expect(scriptWith(stats, 'src/main.ts')).toBe('main.js');
    expect(() => scriptWith(stats, 'src/other.ts')).toThrowError(/src\/other\.ts/);
  });
});

describe('the addresses of the pages', () => {
  const read = (table) => pagesIn(readFileSync(at('web/src/app', table), 'utf8'));
  const said = (pages) => pages.map(({ path, source }) => `${path} ${source.split('/').at(-1)}`);

  it('are read out of the tables of routes and of rooms', () => {
    const routes = said(read('app.routes.ts'));
    for (const page of [' trips.page.ts', 'trips/:id trip.page.ts', 'logbook logbook.page.ts'])
      expect(routes).toContain(page);
    const rooms = ['size', 'wire', 'pack', 'rehearse', 'card', 'field', 'debrief'];
    expect(said(read('trip/rooms.ts'))).toEqual([
      ' plan.page.ts',
      ...rooms.map((room) => `${room} ${room}.page.ts`),
    ]);
  });
});
