import {
  better,
  sayQuantity,
  sayTime,
  stands,
  USUAL_WETTING,
  waterLeft,
  wetGrams,
  HOUR_MS,
  type Proof,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { packingOf, type PackedPiece, type PackingList } from '../packing/packing-of.js';
import { rainOf, type OutingRain } from './rain-of.js';

/** A thing that stands in the rain, and what that does to it. */
export interface WetPiece {
  readonly piece: PackedPiece;
  /** All of it together soaked, g; null where nobody has weighed it. */
  readonly soakedG: number | null;
  readonly dryH: number;
  /** Nobody has weighed it wet. */
  readonly assumed: boolean;
  /** Share of its water in it when it is packed, 0 to 1, and when it would be dry, UTC epoch ms. */
  readonly water: number;
  readonly dryMs: number | null;
}

/** What rain does to what is carried. */
export interface WetPack {
  readonly rain: OutingRain;
  /** What stands in the open. */
  readonly wet: readonly WetPiece[];
  /** Water carried home, g, and what is carried then, g. */
  readonly waterG: number;
  readonly homeG: number;
  /** Over the limit on the way home, g. */
  readonly overG: number;
  /** What must be kept dry and lies in nothing that keeps rain out. */
  readonly exposed: readonly PackedPiece[];
  /** The same, where nobody has entered what it stands. */
  readonly unknown: readonly PackedPiece[];
}

/** What is spread out under the sky. */
const OUT: ReadonlySet<Gear['kind']> = new Set(['panel', 'antenna']);
/** What water ruins, unless its card says what it stands. */
const TENDER: ReadonlySet<Gear['kind']> = new Set([
  ...(['radio', 'battery', 'station', 'amplifier', 'accessory', 'controller', 'charger'] as const),
]);

/** Whether a thing gets rained on: panels and antennas, and whatever has a weight when wet. */
const isOut = (gear: Gear): boolean => OUT.has(gear.kind) || gear.wetG !== undefined;

/** What rain does to a trip's bag; everything as if dry where none is forecast. */
export function wetPack(
  trip: Trip,
  shelf: readonly Gear[],
  list: PackingList = packingOf(trip, shelf),
): WetPack {
  const rain = rainOf(trip);
  const endMs = Date.parse(trip.end);
  const wet = piecesOf(list)
    .filter(({ gear }) => isOut(gear))
    .map((piece) => wetPiece(piece, rain, endMs));
  const waterG = wet.reduce(
    (sum, { piece: { grams }, soakedG, water }) =>
      grams === null || soakedG === null ? sum : sum + wetGrams(grams, soakedG, water) - grams,
    0,
  );
  const homeG = list.grams + waterG;
  const rains = rain.rain.length > 0;
  return {
    ...{ rain, wet, waterG, homeG },
    overG: Math.max(0, homeG - list.limitG),
    ...(rains ? keptDry(list) : { exposed: [], unknown: [] }),
  };
}

/** What rain would get at, by what each thing stands and by what the bag around it keeps out. */
export function keptDry(list: PackingList): Pick<WetPack, 'exposed' | 'unknown'> {
  const tender = piecesOf(list).filter(({ gear }) => TENDER.has(gear.kind));
  const kept = (piece: PackedPiece) => stands(better(piece.gear.proof, bagProof(list, piece)), 'rain');
  return {
    exposed: tender.filter((piece) => kept(piece) === false),
    unknown: tender.filter((piece) => kept(piece) === null),
  };
}

/** All lines of a list, in the bag's order. */
const piecesOf = ({ bags, loose }: PackingList): readonly PackedPiece[] =>
  [...bags.flatMap(({ pieces }) => pieces), ...loose].sort((a, b) => a.index - b.index);

const bagProof = ({ bags }: PackingList, { item }: PackedPiece): Proof | undefined =>
  bags.find(({ bag }) => bag.id === item.bag)?.bag.proof;

function wetPiece(piece: PackedPiece, { rain }: OutingRain, endMs: number): WetPiece {
  const { gear, grams, item } = piece;
  const usual = USUAL_WETTING[gear.folds ?? (gear.kind === 'panel' ? 'folded' : 'rigid')];
  const soakedG = gear.wetG ? gear.wetG.value * item.count : grams === null ? null : grams * (1 + usual.gain);
  const dryH = gear.dryH?.value ?? usual.dryH;
  const water = waterLeft(rain, endMs, dryH);
  const last = rain.at(-1);
  return {
    ...{ piece, soakedG, dryH, water },
    assumed: !gear.wetG && usual.gain > 0,
    dryMs: last && dryH > 0 ? last.endMs + dryH * HOUR_MS : null,
  };
}

/** A line of what rain does, and how it stands. */
export interface WetLine {
  readonly sign: 'look' | 'note';
  readonly sentence: string;
}

/** What rain asks of the bag, in sentences; the worst first. Nothing where none is forecast. */
export function sayWetPack(pack: WetPack, limitG: number, zone: string): readonly WetLine[] {
  const { rain, wet, waterG, homeG, overG, exposed, unknown } = pack;
  if (rain.rain.length === 0) return [];
  const grams = (value: number) => sayQuantity({ value, unit: 'g' });
  const names = (pieces: readonly PackedPiece[]) => pieces.map(({ name }) => name).join(', ');
  const lines: WetLine[] = [];
  if (overG > 0)
    lines.push({
      sign: 'look',
      sentence: `On the way home it weighs ${grams(homeG)} with ${grams(waterG)} of water in it: ${grams(overG)} over the ${grams(limitG)} that are carried.`,
    });
  else if (waterG >= 1)
    lines.push({
      sign: 'note',
      sentence: `On the way home it weighs ${grams(homeG)} with ${grams(waterG)} of water in it.`,
    });
  if (exposed.length > 0)
    lines.push({
      sign: 'look',
      sentence: `Rain gets at ${names(exposed)}: put ${exposed.length === 1 ? 'it' : 'them'} into a bag that keeps rain out.`,
    });
  if (unknown.length > 0)
    lines.push({
      sign: 'note',
      sentence: `What ${names(unknown)} ${unknown.length === 1 ? 'is' : 'are'} proof against is not entered, and no bag around ${unknown.length === 1 ? 'it' : 'them'} keeps rain out.`,
    });
  for (const { piece, water, dryMs, assumed } of wet) {
    if (water <= 0) continue;
    lines.push({
      sign: 'note',
      sentence: `${piece.name} is packed wet: apart from what is dry, and spread out until ${dryMs === null ? 'it is dry' : sayTime(dryMs, zone)}${assumed ? ' (how it dries is assumed)' : ''}.`,
    });
  }
  return lines;
}
