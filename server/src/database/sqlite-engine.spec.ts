import { spawnSync } from 'node:child_process';
import { EngineProblem, enginePackage, sqliteEngine } from './sqlite-engine.js';

const loads = (name: string) => {
  throw new Error(`${name} asked for`);
};

describe('the database engine', () => {
  it('is the prebuilt one wherever Node.js can load it, the compiled one on 20 alone', () => {
    const name = (node: string, napi: string) => enginePackage({ node, napi }).name;
    expect(name('20.19.0', '9')).toBe('better-sqlite3-node20');
    expect(name('20.20.2', '9')).toBe('better-sqlite3-node20');
    expect(name('22.14.0', '10')).toBe('better-sqlite3');
    expect(name('24.21.0', '10')).toBe('better-sqlite3');
    expect(name('26.12.1', '10')).toBe('better-sqlite3');
  });

  it('is refused in a sentence for a Node.js on which none is sound, before any is loaded', () => {
    for (const [node, napi] of [
      ['18.20.0', '9'],
      ['20.18.3', '9'],
      ['21.7.0', '9'],
      ['22.13.1', '9'],
    ]) {
      expect(() => sqliteEngine({ node, napi }, loads)).toThrowError(EngineProblem, /22\.14.*this is \d/);
    }
  });

  it('that is not there says what to do', () => {
    expect(() => sqliteEngine({ node: '20.20.2' }, loads)).toThrowError(
      EngineProblem,
      /npm rebuild better-sqlite3-node20.*asked for/,
    );
    expect(() => sqliteEngine({ node: '24.0.0', napi: '10' }, loads)).toThrowError(
      EngineProblem,
      /does not load on this computer/,
    );
  });

  it('lives through garbage collections while statements are made and dropped', () => {
    // In a process of its own: an engine that does not, aborts the process. The garbage has to come by itself: a
    // collection that is asked for runs in a context in which the faulty engine survives.
    const module = new URL('./sqlite-engine.js', import.meta.url);
    const script = `
      const { sqliteEngine } = await import(${JSON.stringify(module.href)});
      const database = new (sqliteEngine())(':memory:');
      database.exec('CREATE TABLE t (n INTEGER)');
      let garbage = [];
      for (let i = 0; i < 60000; i++) {
        database.prepare('INSERT INTO t VALUES (?)').run(i);
        garbage.push({ numbers: new Array(50).fill(i) });
        if (garbage.length > 20000) garbage = [];
      }
      const { n, total } = database.prepare('SELECT count(*) AS n, sum(n) AS total FROM t').get();
      process.stdout.write(n + ' ' + total);`;
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      ['--max-semi-space-size=1', '--input-type=module', '--eval', script],
      { encoding: 'utf8' },
    );
    expect(stderr).toBe('');
    expect(status).toBe(0);
    expect(stdout).toBe('60000 1799970000');
  });
});
