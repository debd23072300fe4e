/** A battery in parallel with others, with the cable from it to their common point. */
export interface Branch {
  /** Resistance inside the battery, ohm. */
  readonly packOhm: number;
  /** Resistance of its cable there and back, ohm; null if it is not entered. */
  readonly cableOhm: number | null;
}

/** No branch has less, ohm. */
const MIN_BRANCH_OHM = 1e-6;
const branchOhm = ({ packOhm, cableOhm }: Branch): number =>
  Math.max(MIN_BRANCH_OHM, packOhm + (cableOhm ?? 0));
const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);
const parallelOhm = (ohms: readonly number[]): number => 1 / sumOf(ohms.map((ohm) => 1 / ohm));

/**
 * Share of a common current that each of several batteries of the same voltage gives, 0 to 1, in their order: in proportion to
 * 1 / resistance. Source: Kirchhoff's laws.
 */
export function branchShares(branches: readonly Branch[]): readonly number[] {
  const conductances = branches.map((branch) => 1 / branchOhm(branch));
  const total = sumOf(conductances);
  return conductances.map((conductance) => conductance / total);
}

/**
 * Resistance that the cables of batteries in parallel add for the current of all of them together, ohm: that of the branches less
 * that of the batteries alone. Source: Kirchhoff's laws.
 */
export function branchCablesOhm(branches: readonly Branch[]): number {
  if (branches.length === 0) return 0;
  const withCables = parallelOhm(branches.map(branchOhm));
  const alone = parallelOhm(branches.map(({ packOhm }) => branchOhm({ packOhm, cableOhm: 0 })));
  return Math.max(0, withCables - alone);
}
