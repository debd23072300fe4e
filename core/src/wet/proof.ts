/**
 * What a thing stands of water, from nothing up. Source: convention of this project; splash is about IPX4, rain about IPX5,
 * a dunking IPX7 of IEC 60529.
 */
export const PROOFS = {
  none: { label: 'nothing' },
  splash: { label: 'splashes' },
  rain: { label: 'rain' },
  dunking: { label: 'a dunking' },
} as const;

export type Proof = keyof typeof PROOFS;

export const PROOF_NAMES = Object.keys(PROOFS) as readonly Proof[];

/** Whether a thing stands at least so much water; null where that is not entered. */
export const stands = (proof: Proof | undefined, least: Proof): boolean | null =>
  proof === undefined ? null : PROOF_NAMES.indexOf(proof) >= PROOF_NAMES.indexOf(least);

/** The better of two coverings: a radio in a box stands what the box stands. */
export const better = (a: Proof | undefined, b: Proof | undefined): Proof | undefined =>
  a === undefined || (b !== undefined && stands(b, a)) ? b : a;

/** What the weakest of several things stands; null where of one it is not entered, and of nothing at all a dunking. */
export function weakest(proofs: readonly (Proof | null | undefined)[]): Proof | null {
  let least = PROOF_NAMES.length - 1;
  for (const proof of proofs) {
    if (!proof) return null;
    least = Math.min(least, PROOF_NAMES.indexOf(proof));
  }
  return PROOF_NAMES[least];
}

/** How a thing packs. Source: convention of this project. */
export const FOLDS = {
  folded: { label: 'folds' },
  rolled: { label: 'rolls up' },
  rigid: { label: 'is rigid' },
} as const;

export type Fold = keyof typeof FOLDS;

/** What rough use a thing stands. Source: convention of this project. */
export const ROUGH_USES = {
  glass: { label: 'breaks like glass' },
  bumps: { label: 'stands bumps' },
  drops: { label: 'stands a drop' },
} as const;

export type RoughUse = keyof typeof ROUGH_USES;
