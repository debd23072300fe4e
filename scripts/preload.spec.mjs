import { neededBy } from './pages.mjs';
import { nameOf, openingScript, patternOf, scriptsByAddress, withPreloads } from './preload.mjs';

const output = (inputs, now, later = []) => ({
  inputs: Object.fromEntries(inputs.map((input) => [input, {}])),
  imports: [
    ...now.map((path) => ({ path, kind: 'import-statement' })),
    ...later.map((path) => ({ path, kind: 'dynamic-import' })),
  ],
});
const stats = {
  outputs: {
    'main-1.js': output(['src/main.ts'], ['chunk-A.js', 'chunk-B.js'], ['chunk-T.js']),
    'chunk-A.js': output([], ['chunk-B.js'], ['chunk-Z.js']),
    'chunk-B.js': output([], ['chunk-C.js', 'chunk-A.js']),
    'chunk-C.js': output([], []),
    'chunk-T.js': output(['src/app/trip/trip.page.ts'], ['chunk-A.js', 'chunk-D.js']),
    'chunk-D.js': output([], []),
    'chunk-P.js': output(['src/app/plan/plan.page.ts'], ['chunk-D.js']),
    'chunk-W.js': output(['src/app/wire/wire.page.ts'], ['chunk-C.js']),
  },
};
const tables = {
  routes: "{ path: 'trips/:id', loadComponent: () => import('./trip/trip.page').then() }, { path: '**' }",
  rooms:
    "{ path: '', load: () => import('../plan/plan.page') }, { path: 'wire', load: () => import('../wire/wire.page') }",
};

/** What is asked for at an address before anything else runs: scripts, and answers of the server. */
function openedAt(pathname, script, fetch = async () => ({ ok: false })) {
  const scripts = [];
  const document = { createElement: () => ({}), head: { append: ({ href }) => scripts.push(href) } };
  const globalThis = {};
  new Function('location', 'document', 'fetch', 'globalThis', script)(
    { pathname },
    document,
    fetch,
    globalThis,
  );
  return { scripts, answers: globalThis.firstAnswers };
}

describe('the scripts that an index names', () => {
  it('take the place of those that the build tool named', () => {
    const index =
      '<head><link rel="stylesheet" href="s.css"><link rel="modulepreload" href="chunk-A.js"></head><body></body>';
    expect(withPreloads(index, new Set(['chunk-A.js', 'chunk-B.js']), 'said()')).toBe(
      `<head><script src="${nameOf('said()')}"></script><link rel="stylesheet" href="s.css">` +
        '<link rel="modulepreload" href="chunk-A.js"><link rel="modulepreload" href="chunk-B.js"></head><body></body>',
    );
    // As the server tells those that it may let a browser keep for ever.
    expect(nameOf('said()')).toMatch(/-[A-Z0-9]{8}\.js$/);
    expect(nameOf('said()')).not.toBe(nameOf('said'));
  });

  it('are those of the page that is opened, without the first ones', () => {
    const script = openingScript(scriptsByAddress(stats, neededBy(stats, 'main-1.js'), tables));
    expect(openedAt('/trips/islet', script).scripts).toEqual(['chunk-T.js', 'chunk-D.js', 'chunk-P.js']);
    expect(openedAt('/trips/islet/wire', script).scripts).toEqual(['chunk-T.js', 'chunk-D.js', 'chunk-W.js']);
    expect(openedAt('/', script).scripts).toEqual([]);
  });

  it('cannot be found for a page that was not built', () => {
    expect(() => scriptsByAddress({ outputs: {} }, new Set(), tables)).toThrowError(/trip\.page/);
  });
});

describe('what the server is asked for before the page stands', () => {
  const script = openingScript([]);
  const answer = { ok: true, headers: new Map([['ETag', '"3"']]), json: async () => ({ id: 'islet' }) };

  it('is the trip that is opened, in whichever room, what it is not shown without, and the shelf', async () => {
    const asked = [];
    const { answers } = openedAt('/trips/islet/wire', script, async (url, { headers }) => {
      asked.push([url, headers['ngsw-bypass']]);
      return answer;
    });
    expect(asked).toEqual([
      ['/api/trips/islet', 'true'],
      ['/api/packings/islet', 'true'],
      ['/api/rehearsals/islet', 'true'],
      ['/api/gear', 'true'],
    ]);
    expect(answers.map(([url]) => url)).toEqual(asked.map(([url]) => url));
    expect(await answers[0][1]).toEqual({ etag: '"3"', body: { id: 'islet' } });
  });

  it('is nothing on any other page', () => {
    for (const path of ['/', '/gear', '/trips/']) expect(openedAt(path, script).answers).toBeUndefined();
  });

  it('comes as nothing where the server refuses, is away or talks nonsense: the page asks again and says so', async () => {
    const of = async (fetch) => (await openedAt('/trips/islet', script, fetch).answers[0])[1];
    expect(await of(async () => ({ ok: false }))).toBeNull();
    expect(await of(async () => Promise.reject(new Error('away')))).toBeNull();
    expect(await of(async () => ({ ...answer, json: async () => JSON.parse('<') }))).toBeNull();
  });
});

describe('the pattern of an address', () => {
  it('fits what the router would', () => {
    const fits = (path, address, hasRooms) => new RegExp(patternOf(path, hasRooms)).test(address);
    expect(fits('', '/')).toBeTrue();
    expect(fits('', '/gear')).toBeFalse();
    expect(fits('gear', '/gear/')).toBeTrue();
    expect(fits('trips/:id', '/trips/islet/size', true)).toBeTrue();
    expect(fits('trips/:id', '/trips/islet/size')).toBeFalse();
    expect(fits('trips/:id', '/trips/islet')).toBeTrue();
  });
});
