// npm run mutate ... -- --spare: which tests find no fault that the others do not, told of a run in which every test was asked.
// Those are the first to look at where tests are to be fewer: what they state may still be worth its lines.

/**
 * @param report of the faults, each with all tests that find it (`killedBy`), and the tests by file
 * @returns names of the tests that can go together, so that each fault that was found is found by one that stays
 */
export function spareTests({ files, testFiles }) {
  const names = new Map(
    Object.values(testFiles).flatMap(({ tests }) => tests.map(({ id, name }) => [id, name])),
  );
  const finders = Object.values(files)
    .flatMap(({ mutants }) => mutants)
    .map(({ killedBy = [] }) => new Set(killedBy))
    .filter(({ size }) => size > 0);
  const staying = new Set(finders.filter(({ size }) => size === 1).flatMap((those) => [...those]));
  const isFound = (those) => [...those].some((id) => staying.has(id));
  for (
    let open = finders.filter((those) => !isFound(those));
    open.length;
    open = open.filter((those) => !isFound(those))
  )
    staying.add(busiest(open));
  return [...names].filter(([id]) => !staying.has(id)).map(([, name]) => name);
}

/** The test that finds the most of these faults. */
function busiest(faults) {
  const counts = new Map();
  for (const id of faults.flatMap((those) => [...those])) counts.set(id, (counts.get(id) ?? 0) + 1);
  return [...counts].reduce((most, one) => (one[1] > most[1] ? one : most))[0];
}
