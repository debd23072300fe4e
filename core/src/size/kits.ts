import { sayMoney, sayQuantity } from '../say/quantity.js';
import {
  isReason,
  type BatteryChoice,
  type Burden,
  type Effort,
  type KitLimits,
  type Reason,
  type SizeSpace,
  type SunChoice,
} from './choices.js';
import { PROOFS, stands, weakest, type Proof } from '../wet/proof.js';
import { misfit } from './misfit.js';

/** A battery part and a sun part that go together, by their places in the space. */
export interface Kit extends Burden {
  readonly battery: number;
  readonly sun: number;
  readonly grams: number;
  readonly effort: Effort;
}

/** Kits that a rule dropped: which rule, how many, and one of them as an example with the reason. */
export interface RuledOut {
  readonly rule: string;
  readonly count: number;
  readonly example: string;
  readonly sentence: string;
}

export interface Kits {
  /** Light to heavy; of equal weight the cheaper first. */
  readonly allowed: readonly Kit[];
  /** The rule that dropped the most first. */
  readonly ruledOut: readonly RuledOut[];
}

/** Every kit of a space: those that break no rule, and the rules that drop the others. Hard rules go before limits. */
export function allKits(space: SizeSpace, limits: KitLimits): Kits {
  const allowed: Kit[] = [];
  const dropped = new Dropped();
  space.batteries.forEach((battery, at) =>
    space.suns.forEach((sun, sunAt) => {
      const pair = paired(space, battery, sun);
      if (pair === null) return;
      const found = 'rule' in pair ? pair : (overLimit(pair, limits) ?? pair);
      if (!('rule' in found)) {
        allowed.push({ ...found, battery: at, sun: sunAt, effort: sun.effort });
        return;
      }
      dropped.add(found, kitName(battery, sun));
    }),
  );
  allowed.sort(
    (a, b) =>
      a.grams - b.grams ||
      (a.price ?? Infinity) - (b.price ?? Infinity) ||
      a.battery - b.battery ||
      a.sun - b.sun,
  );
  return {
    allowed,
    ruledOut: dropped.told(),
  };
}

/** What rules dropped, counted by rule. */
export class Dropped {
  private readonly byRule = new Map<string, { count: number; example: string; sentence: string }>();

  constructor(before: readonly RuledOut[] = []) {
    for (const { rule, ...of } of before) this.byRule.set(rule, { ...of });
  }

  add({ rule, sentence }: Reason, example: string): void {
    const known = this.byRule.get(rule);
    if (known) known.count += 1;
    else this.byRule.set(rule, { count: 1, example, sentence });
  }

  told(): readonly RuledOut[] {
    return [...this.byRule].map(([rule, of]) => ({ rule, ...of })).sort((a, b) => b.count - a.count);
  }
}

export const kitName = (
  battery: Pick<BatteryChoice, 'name'>,
  sun: Pick<SunChoice, 'name' | 'pieces'>,
): string => (sun.pieces === 0 ? battery.name : `${battery.name}, ${sun.name}`);

type Weighed = Burden & { readonly grams: number };

/** What two parts weigh together, or the rule that keeps them apart; null where they are not meant for each other. */
function paired(
  space: SizeSpace,
  battery: BatteryChoice,
  sun: SunChoice,
): Weighed | { rule: string; sentence: string } | null {
  if (sun.throughPowerStation && !battery.isPowerStation) return null;
  if (battery.barred) return battery.barred;
  const of = sun.by?.[battery.chemistry];
  if (of && isReason(of)) return of;
  const wrong = of ? misfit(space, battery, sun, of) : null;
  if (wrong) return wrong;
  const grams = sum(battery.grams, sun.grams);
  if (grams === null) {
    const what = battery.grams === null ? battery.name : sun.name;
    return { rule: 'no weight', sentence: `The card of ${what} does not say what it weighs.` };
  }
  return {
    grams,
    price: sum(battery.price, sun.price),
    toBuy: sum(toBuy(battery), toBuy(sun)),
    litres: sum(battery.litres, sun.litres),
    pieces: battery.pieces + sun.pieces,
    proof: weakest(sun.pieces === 0 ? [battery.proof] : [battery.proof, sun.proof]),
  };
}

const toBuy = ({ toBuy: open, price }: Burden): number | null => (open === undefined ? price : open);

const sum = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b);

function overLimit(kit: Weighed, limits: KitLimits): { rule: string; sentence: string } | null {
  const over = (
    rule: string,
    what: string,
    value: number | null,
    limit: number | undefined,
    say: (value: number) => string,
  ) =>
    limit !== undefined && value !== null && value > limit
      ? {
          rule,
          sentence: `${what} ${say(value)} and ${say(limit)} is the limit.`,
        }
      : null;
  const unknown = (rule: string, value: number | null, limit: number | undefined, says: string) =>
    limit !== undefined && value === null
      ? { rule, sentence: `A card of its parts does not say ${says}, and there is a limit on it.` }
      : null;
  return (
    unknown('no price', toBuy(kit), limits.price, 'what it costs') ??
    unknown('no volume', kit.litres, limits.litres, 'how large it packs') ??
    over('too heavy', 'It weighs', kit.grams, limits.grams, (value) => sayQuantity({ value, unit: 'g' })) ??
    over('too expensive', 'To buy it costs', toBuy(kit), limits.price, (value) => sayMoney(value)) ??
    over('too large', 'It takes up', kit.litres, limits.litres, (value) => `${tidy(value)} l`) ??
    over('too many pieces', 'Its pieces are', kit.pieces, limits.pieces, tidy) ??
    tooWeak(kit.proof ?? undefined, limits.proof)
  );
}

/** A kit that water gets at, where it is meant to stand more. */
function tooWeak(proof: Proof | undefined, least: Proof | undefined): Reason | null {
  if (least === undefined || stands(proof, least)) return null;
  return proof === undefined
    ? {
        rule: 'proof not entered',
        sentence: 'A card of its parts does not say what it is proof against.',
      }
    : {
        rule: 'not proof',
        sentence: `It is proof against ${PROOFS[proof].label}, not against ${PROOFS[least].label}.`,
      };
}

const tidy = (value: number): string => String(Number(value.toPrecision(3)));
