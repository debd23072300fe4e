import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { keepInstead } from './finish-page.mjs';
import { groupOf, kindsOf, mergeScripts } from './merge.mjs';
import { neededBy } from './pages.mjs';

const tables = {
  routes:
    "{ path: '', load: import('./trips/trips.page') }, { path: 'trips/:id', load: import('./trip/trip.page') }, { path: 'gear', load: import('./gear/gear.page') }",
  rooms:
    "{ path: '', load: import('../plan/plan.page') }, { path: 'wire', load: import('../wire/wire.page') }",
};
const LATER = { trips: 'trips.js', trip: 'trip.js', gear: 'gear.js', plan: 'plan.js', wire: 'wire.js' };
/** What a page was built to: a script each, and four that they share. */
const scripts = {
  'main.js': `import{f}from"./first.js";const later={${Object.entries(LATER)
    .map(([name, script]) => `${name}:()=>import("./${script}")`)
    .join(',')}};f(later);`,
  'first.js': 'export const f=(x)=>globalThis.opened=x;',
  'say.js': 'export const say=(x)=>`said ${x}`;',
  'sum.js': 'import{say}from"./say.js";export const sum=(a,b)=>say(a+b);',
  'large.js': `export const large="${'long'.repeat(4000)}".length;`,
  'trips.js': 'import{say}from"./say.js";import("./begin.js");export const page=say("trips");',
  'begin.js': 'import{less}from"./less.js";export const begin=less;',
  'less.js': 'export const less=1;',
  'trip.js': 'import{sum}from"./sum.js";export const page=sum(1,1);',
  'gear.js': 'import{less}from"./less.js";import{sum}from"./sum.js";export const page=sum(less,2);',
  'plan.js': 'import{sum}from"./sum.js";import{large}from"./large.js";export const page=sum(1,large);',
  'wire.js': 'import{large}from"./large.js";export const page=large;',
};
const sourceOf = {
  'main.js': 'src/main.ts',
  'begin.js': 'begin/index.js',
  ...Object.fromEntries(
    Object.entries(LATER).map(([name, script]) => [script, `src/app/${name}/${name}.page.ts`]),
  ),
};
const stats = {
  outputs: Object.fromEntries(
    Object.entries(scripts).map(([name, code]) => [
      name,
      {
        bytes: code.length,
        ...(sourceOf[name] && { entryPoint: sourceOf[name] }),
        inputs: { [sourceOf[name] ?? name]: {} },
        imports: [...code.matchAll(/(import\()?"\.\/(\w+\.js)"/g)].map(([, later, path]) => ({
          path,
          kind: later ? 'dynamic-import' : 'import-statement',
        })),
      },
    ]),
  ),
};

describe('a script', () => {
  const group = (name) => groupOf(name, stats, neededBy(stats, 'main.js'), kindsOf(stats, tables));

  it('goes together with those that the same kinds of pages want', () => {
    expect(group('say.js')).toBe('list-other-trip-room');
    expect(group('sum.js')).toBe('other-trip-room');
    expect(group('less.js')).toBe('soon-other');
    expect(group('first.js')).toBe('first');
  });

  it('stays for itself where it is a page, or large and wanted by some', () => {
    for (const name of ['main.js', 'plan.js', 'large.js']) expect(group(name)).toBeNull();
  });
});

describe('a page with fewer scripts', () => {
  let web;
  let merged;

  beforeAll(async () => {
    web = mkdtempSync(join(tmpdir(), 'knapsack-merge-'));
    mkdirSync(join(web, 'dist/browser'), { recursive: true });
    for (const [name, code] of Object.entries(scripts)) writeFileSync(join(web, 'dist/browser', name), code);
    merged = await mergeScripts(web, stats, tables);
  });

  afterAll(() => rmSync(web, { recursive: true }));

  it('has none of those that were merged, and says what stands in their place', () => {
    expect([...merged.gone].sort()).toEqual(Object.keys(scripts).sort());
    expect(
      readdirSync(join(web, 'dist/browser'))
        .filter((name) => name.endsWith('.js'))
        .sort(),
    ).toEqual(Object.keys(merged.stats.outputs).sort());
    for (const name of Object.keys(merged.stats.outputs)) {
      expect(name).toMatch(/-[a-z0-9]{8}\.js$/);
      expect(readFileSync(join(web, 'dist/browser', name), 'utf8')).toMatch(
        /^\/\/# allFunctionsCalledOnLoad\n/,
      );
    }
  });

  it('does what it did', async () => {
    const main = Object.keys(merged.stats.outputs).find((name) => name.startsWith('main-'));
    writeFileSync(join(web, 'dist/browser/package.json'), '{"type":"module"}');
    await import(join(web, 'dist/browser', main));
    const { trips, gear, plan } = globalThis.opened;
    delete globalThis.opened;
    expect((await trips()).page).toBe('said trips');
    expect((await gear()).page).toBe('said 3');
    expect((await plan()).page).toBe('said 16001');
  });
});

describe('the list of a service worker', () => {
  it('names what was made, with its sum, and no longer what is gone', () => {
    const worker = {
      assetGroups: [{ urls: ['/index.html', '/a.js', '/b.js'] }],
      hashTable: { '/index.html': 'old', '/a.js': '1', '/b.js': '2' },
    };
    keepInstead(worker, ['a.js', 'never-listed.js'], ['c.js'], () => Buffer.from('abc'));
    // SHA-1 of "abc": FIPS 180-4, example.
    const sum = 'a9993e364706816aba3e25717850c26c9cd0d89d';
    expect(worker).toEqual({
      assetGroups: [{ urls: ['/index.html', '/b.js', '/c.js'] }],
      hashTable: { '/index.html': sum, '/b.js': '2', '/c.js': sum },
    });
  });
});
