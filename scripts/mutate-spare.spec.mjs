import { spareTests } from './mutate-spare.mjs';

const report = (faults) => ({
  files: { 'a.ts': { mutants: faults.map((killedBy) => ({ killedBy })) } },
  testFiles: { '': { tests: ['a', 'b', 'c', 'd'].map((id) => ({ id, name: `test ${id}` })) } },
});

describe('tests that can go', () => {
  it('find nothing, or nothing alone', () => {
    expect(spareTests(report([['a'], ['a', 'b'], ['c', 'd', 'b'], ['c', 'd']]))).toEqual([
      'test b',
      'test d',
    ]);
  });

  it('leave the busiest where a fault is found by several', () => {
    expect(spareTests(report([['b', 'c'], ['c', 'd'], ['a']]))).toEqual(['test b', 'test d']);
  });

  it('can go together: of two that find the same fault one stays', () => {
    expect(spareTests(report([['a', 'b'], [], undefined]))).toEqual(['test b', 'test c', 'test d']);
  });
});
