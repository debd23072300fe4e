import type { HarnessPart } from '../harness/harness.js';

/** Between which parts a run lies, in the direction of the current: "battery to radio". */
export function cableRunLabel(parts: readonly HarnessPart[], part: HarnessPart): string {
  const above = parts.find(({ id }) => id === part.from)?.name ?? 'the battery';
  if (part.kind === 'battery' || part.kind === 'station') return `${part.name} to ${above}`;
  const towards = part.kind === 'panel' || part.kind === 'controller';
  return towards ? `${part.name} to ${above}` : `${above} to ${part.name}`;
}
