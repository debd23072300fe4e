// npm run calibrate: chances as told against chances that come true, over seasons of a make that the product knows nothing of.
import { ensureLibraries } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { load } from './process.mjs';

const CHANCES = [0.5, 0.8, 0.9, 0.95];
/** Share of the clear light on fair-weather days, and where its seasons' seeds begin. */
const GENERATORS = [
  { fairLight: 0.8, from: 10_000 },
  { fairLight: 0.85, from: 20_000 },
  { fairLight: 0.9, from: 30_000 },
];
const seasons = Number(process.argv[2] ?? 600);

await ensureInstalled();
await ensureLibraries();
const { lastedAt } = await load('core/dist/testing/season-outing.js');
console.log(
  `fair days let through   told: ${CHANCES.map((chance) => `${100 * chance} %`.padStart(8)).join('')}`,
);
for (const { fairLight, from } of GENERATORS) {
  const came = lastedAt(CHANCES, fairLight, from, seasons).map((lasted) => (100 * lasted) / seasons);
  console.log(
    `${100 * fairLight} %`.padEnd(24) + `came: ${came.map((share) => share.toFixed(1).padStart(8)).join('')}`,
  );
}
console.log(
  `${seasons} seasons each; one standard error at 50 % is ${(50 / Math.sqrt(seasons)).toFixed(1)} points`,
);

const { heldIn80, otherRanks, ownRanks, unevenness } = await load('core/dist/testing/field-coverage.js');
const outings = Number(process.argv[3] ?? 300);
console.log(
  `\nafter ten readings      held in its 80 % interval   unevenness (above 27.9 once in a thousand)`,
);
const own = [...ownRanks(outings)];
for (const [name, ranks] of [...own, ['the charge, outings of another make', otherRanks(outings)]]) {
  const held = (100 * heldIn80(ranks)).toFixed(1);
  console.log(`${name.padEnd(38)} ${held.padStart(6)} %   ${unevenness(ranks).toFixed(1).padStart(6)}`);
}
console.log(`${outings} outings each; one standard error is ${(40 / Math.sqrt(outings)).toFixed(1)} points`);

const { heldByOuting } = await load('contract/dist/testing/taught-outings.js');
const kinds = new Map();
for (let seed = 0; seed < outings; seed++) {
  for (const [kind, held] of heldByOuting(seed)) kinds.set(kind, [...(kinds.get(kind) ?? []), held]);
}
console.log('\nfigures that an outing of the demo offers    held in their 80 % interval   offered');
for (const [kind, held] of [...kinds, ['all', [...kinds.values()].flat()]]) {
  const share = (100 * held.filter((one) => one).length) / held.length;
  console.log(`${kind.padEnd(44)} ${share.toFixed(1).padStart(6)} %   ${String(held.length).padStart(6)}`);
}

const { seasonErrors } = await load('core/dist/testing/field-season.js');
const OUTINGS = 6;
const years = Number(process.argv[4] ?? 200);
const learned = Array.from({ length: years }, (_, seed) => seasonErrors(seed, OUTINGS));
console.log(
  `\nmean error of a plan, each outing’s lessons accepted for the next; the plan of outing 1 to ${OUTINGS}`,
);
for (const name of ['dutyCycle', 'receive', 'keyDown', 'panelOutput', 'usedAh']) {
  const means = Array.from(
    { length: OUTINGS },
    (_, outing) => (100 * learned.reduce((sum, errors) => sum + errors[outing][name], 0)) / years,
  );
  const left = `${((100 * means[OUTINGS - 1]) / means[0]).toFixed(1)} % left`;
  console.log(
    `${name.padEnd(14)}${means.map((mean) => `${mean.toFixed(1)} %`.padStart(9)).join('')}   ${left}`,
  );
}
console.log(`${years} seasons`);
