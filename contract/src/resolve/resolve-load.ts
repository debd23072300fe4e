import {
  accessoryPieces,
  darkSpans,
  fail,
  internalCharge,
  onOwnCells,
  overlap,
  powerAtBattery,
  succeed,
  timesDraw,
  USUAL_SOCKET,
  warmSpans,
  type AccessoryLoad,
  type Draw,
  type LoadPiece,
  type OnRule,
  type OutingHours,
  type PlannedBlock,
  type PlannedPosition,
  type Result,
  type Span,
} from '@knapsack/core';
import type { AccessoryRule } from '../documents/accessory-rule.js';
import type { Accessory } from '../documents/gear.js';
import { trustOf, type Figure } from '../documents/figure.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { supplyIn } from '../harness/supply.js';
import { counted, isKind, type Carried } from './look-up.js';
import { skyOf } from './sky-of.js';

/** Everything that draws besides the radio: accessories, the controller itself, the charging of the radio's own battery. */
export function resolveAccessories(
  trip: Trip,
  carried: readonly Carried[],
  positions: readonly PlannedPosition[],
  outing: Span,
  surplus: readonly Span[] = [],
): Result<readonly AccessoryLoad[]> {
  const accessories = carried.filter(isKind('accessory'));
  const { latitudeDeg, longitudeDeg } = trip.place;
  const inTheDark = accessories.find(({ item, gear }) => (item.rule ?? gear.rule).when === 'dark');
  const hasSite = latitudeDeg !== undefined && longitudeDeg !== undefined;
  if (inTheDark && !hasSite) {
    return fail({
      code: 'no-coordinates',
      pointer: '/place/latitudeDeg',
      sentence: `${inTheDark.gear.name} is on in the dark: say where the outing is, by latitude and longitude or a locator.`,
    });
  }
  const hours: OutingHours = {
    outing,
    blocks: withModes(positions.flatMap(({ blocks }) => blocks)),
    dark: inTheDark && hasSite ? darkSpans(outing, { latitudeDeg, longitudeDeg }) : [],
  };
  // An amplifier, and what is on with the transmitter, stands behind the first operating position's radio.
  const behindFirst: OutingHours = { ...hours, blocks: withModes(positions[0].blocks) };
  return succeed([
    ...accessories.map(({ item, gear }): AccessoryLoad => {
      const draw = (figure: Figure) => timesDraw(drawnAtBattery(trip, carried, gear, figure), item.count);
      const on = gear.drawA ?? gear.drawW;
      const pieces = on
        ? accessoryPieces(
            draw(on),
            onRule(item.rule ?? gear.rule, trip, outing, gear.colourDraw ? draw(gear.colourDraw) : null),
            (item.rule ?? gear.rule).when === 'transmitting' ? behindFirst : hours,
            gear.transmitDraw && draw(gear.transmitDraw),
          )
        : [];
      return {
        id: gear.id,
        name: counted(gear.name, item.count),
        ...(on && { from: trustOf(on) }),
        pieces: item.ownCells ? onCells(gear, item, pieces, outing, surplus) : pieces,
      };
    }),
    ...carried.filter(isKind('amplifier')).map(({ item, gear }): AccessoryLoad => {
      const draw = ({ value }: Figure): Draw =>
        timesDraw(behindConverter(trip, carried, gear.id, { amps: value, watts: 0 }), item.count);
      const rule: OnRule = { when: 'transmitting', ...(gear.modes && { modes: gear.modes }) };
      return {
        id: gear.id,
        name: counted(gear.name, item.count),
        from: trustOf(gear.transmitA),
        pieces: accessoryPieces(draw(gear.standbyA), rule, behindFirst, draw(gear.transmitA)),
      };
    }),
    ...carried.filter(isKind('controller')).flatMap(({ gear }): AccessoryLoad[] => {
      if (!gear.selfUseA) return [];
      const draw: Draw = { amps: gear.selfUseA.value, watts: 0 };
      const pieces = accessoryPieces(draw, { when: 'always' }, hours);
      return [{ name: gear.name, from: trustOf(gear.selfUseA), pieces }];
    }),
    ...positions.flatMap(({ radio, blocks }): AccessoryLoad[] =>
      radio.internal
        ? [{ name: `${radio.name}’s own battery`, pieces: internalCharge(radio.internal, outing, blocks) }]
        : [],
    ),
  ]);
}

/** What a device with cells of its own still takes from the bus. */
function onCells(
  gear: Accessory,
  { count, ownCells }: LoadoutItem,
  pieces: readonly LoadPiece[],
  outing: Span,
  surplus: readonly Span[],
): readonly LoadPiece[] {
  if (!gear.internal || !ownCells) return pieces;
  const { wattHours, chargeW } = gear.internal;
  const { feed, soc = 1, hours = [] } = ownCells;
  const chosen = hours.map(({ start, end }) => ({ startMs: Date.parse(start), endMs: Date.parse(end) }));
  const charging = feed === 'sun' ? surplus : feed === 'hours' ? chosen : [];
  return onOwnCells(
    pieces,
    { wattHours: count * wattHours.value, startSoc: soc, chargeW: count * chargeW.value },
    charging.flatMap((span) => overlap(span, outing) ?? []),
  );
}

const withModes = (blocks: readonly PlannedBlock[]): OutingHours['blocks'] =>
  blocks.flatMap((block) => (block.mode ? [{ ...block, mode: block.mode }] : []));

/** What an accessory draws at the battery: through its own converter, the one put in before it, or a power station's mains outlet. */
function drawnAtBattery(trip: Trip, carried: readonly Carried[], gear: Accessory, figure: Figure): Draw {
  const drawn = drawOf(gear, figure);
  const powerStation = carried.find(isKind('station'))?.gear;
  if (powerStation && gear.via === 'mains' && batteryPieces(carried).length === 1) {
    // Straight from the cells: the 12 V socket's converter, which the march takes off, is not in the way.
    return { amps: 0, watts: drawn.watts * (powerStation.efficiency?.value ?? USUAL_SOCKET.efficiency) };
  }
  return behindConverter(trip, carried, gear.id, drawn);
}

/** Amps behind a converter that holds its volts are watts before it. */
function behindConverter(trip: Trip, carried: readonly Carried[], id: string, drawn: Draw): Draw {
  const supply = drawn.amps > 0 ? supplyIn(trip, carried, id) : null;
  return supply ? { amps: 0, watts: (drawn.amps * supply.volts) / supply.efficiency } : drawn;
}

/** A figure of an accessory at the battery: amps as they are, watts through their converter. */
const drawOf = ({ drawW, via = 'bus' }: Accessory, { value }: Figure): Draw =>
  drawW ? { amps: 0, watts: powerAtBattery(via, value) } : { amps: value, watts: 0 };

/** When an accessory is on, as the forecast wants it. @param colour draw in its one colour, of a lamp that has one */
function onRule(rule: AccessoryRule, trip: Trip, outing: Span, colour: Draw | null): OnRule {
  switch (rule.when) {
    case 'hours':
      return {
        when: 'hours',
        spans: rule.hours.map(({ start, end }) => ({ startMs: Date.parse(start), endMs: Date.parse(end) })),
      };
    case 'warm': {
      const sky = skyOf(trip);
      return { when: 'hours', spans: warmSpans(outing, (timeMs) => sky(timeMs).airC, rule.aboveC) };
    }
    case 'dark':
      return {
        when: 'dark',
        ...(colour && rule.white !== undefined && { bright: { share: rule.white / 60, otherwise: colour } }),
      };
    default:
      return rule;
  }
}
