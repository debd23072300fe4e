import type { PackingDocument, RehearsalDocument } from '../documents/beside.js';
import type { StepResult } from '../documents/rehearsal.js';

export const isPacked = ({ packed }: PackingDocument, gear: string): boolean =>
  packed.some((tick) => tick.gear === gear);

/** Ticks a piece off, or takes the tick back. */
export const tick = (packing: PackingDocument, gear: string): PackingDocument => ({
  ...packing,
  packed: isPacked(packing, gear)
    ? packing.packed.filter((one) => one.gear !== gear)
    : [...packing.packed, { gear }],
});

/** Takes all ticks back. */
export const untickAll = (packing: PackingDocument): PackingDocument => ({ ...packing, packed: [] });

/** Keeps what came of a step of the home test, or takes it back. */
export function withResult(
  rehearsal: RehearsalDocument,
  step: string,
  result: Omit<StepResult, 'step'> | null,
): RehearsalDocument {
  const others = rehearsal.results.filter((one) => one.step !== step);
  return { ...rehearsal, results: result ? [...others, { step, ...result }] : others };
}
