import { existsSync, readFileSync } from 'node:fs';
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
  const text = (table) => readFileSync(at('web/src/app', table), 'utf8');
  const read = (table) => pagesIn(text(table));

  it('are read out of the tables of routes and of rooms, each with a source that is there', () => {
    const routes = read('app.routes.ts');
    const rooms = read('trip/rooms.ts');
    expect(routes).toContain({ path: '', source: 'src/app/trips/trips.page.ts' });
    expect(routes).toContain({ path: 'trips/:id', source: 'src/app/trip/trip.page.ts' });
    expect(rooms).toContain({ path: '', source: 'src/app/plan/plan.page.ts' });
    expect(rooms).toContain({ path: 'wire', source: 'src/app/wire/wire.page.ts' });
    for (const { source } of [...routes, ...rooms])
      expect(existsSync(at('web', source)))
        .withContext(source)
        .toBeTrue();
    // None is passed over: as many as the tables ask for.
    expect(rooms.length).toBe(text('trip/rooms.ts').match(/\bimport\('/g).length);
  });
});
