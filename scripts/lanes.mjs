// Work in a few lanes: each takes the next task that waits for nothing, so that none stands idle before the end.

/**
 * @param count of lanes
 * @param tasks each with its name, its work, and the names of those it comes after; taken in their order
 * @returns when all are done; fails with the first that fails, and begins nothing more then
 */
export async function inLanes(count, tasks) {
  const names = new Set(tasks.map(({ name }) => name));
  for (const { name, after = [] } of tasks)
    for (const other of after)
      if (!names.has(other)) throw new Error(`“${name}” comes after “${other}”, which is no task.`);
  const waiting = [...tasks];
  const done = new Set();
  let failed = false;
  const moved = [];
  const lane = async () => {
    while (waiting.length > 0 && !failed) {
      const next = waiting.findIndex(({ after = [] }) => after.every((name) => done.has(name)));
      if (next === -1) {
        await new Promise((resolve) => moved.push(resolve));
        continue;
      }
      const [{ name, work }] = waiting.splice(next, 1);
      try {
        await work();
        done.add(name);
      } catch (error) {
        failed = true;
        throw error;
      } finally {
        for (const resolve of moved.splice(0)) resolve();
      }
    }
  };
  await Promise.all(Array.from({ length: count }, lane));
}
