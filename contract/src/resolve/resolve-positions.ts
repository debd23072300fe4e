import {
  fail,
  familyOf,
  type InternalBattery,
  type PlannedBlock,
  type PlannedPosition,
  type PlannedRadio,
  type Result,
  sayWork,
  succeed,
  usualFactor,
} from '@knapsack/core';
import { trustOf, type Figure } from '../documents/figure.js';
import type { Radio } from '../documents/gear.js';
import { currentOf } from '../documents/transmit-figure.js';
import type { Trip } from '../documents/trip.js';
import { radioParts } from '../harness/lost-with.js';
import { ampsBehind, middleVolts, supplyIn } from '../harness/supply.js';
import { expandBlocks, positionOf, type Occurrence } from './expand-blocks.js';
import { blockDuty } from './block-duty.js';
import { isKind, lacking, type Carried } from './look-up.js';

/** The radios of a bag in its order, each as often as it is there: the operating positions. */
export const radiosByPosition = (carried: readonly Carried[]): readonly Radio[] =>
  carried.filter(isKind('radio')).flatMap(({ item, gear }) => Array.from({ length: item.count }, () => gear));

/** The operating positions of a trip that are worked, the first always. */
export function resolvePositions(
  trip: Trip,
  carried: readonly Carried[],
): Result<readonly [PlannedPosition, ...PlannedPosition[]]> {
  const radios = radiosByPosition(carried);
  if (radios.length === 0) {
    return fail(lacking('radio', 'Put a radio in the bag: its current is what the calculation begins with.'));
  }
  const worked = expandBlocks(trip);
  const most = Math.max(1, ...trip.blocks.map(positionOf));
  if (most > radios.length) {
    const planned = `Blocks are planned for operating position ${most}, and ${radios.length === 1 ? 'one radio is' : `${radios.length} radios are`} in the bag`;
    return fail(
      lacking('station', `${planned}: put another in, or give those blocks to a position that has a radio.`),
    );
  }
  const ids = radioParts(carried);
  const position = (radio: Radio, index: number): PlannedPosition => ({
    radio: plannedRadio(radio, trip, carried, ids[index]),
    blocks: worked
      .filter(({ block }) => positionOf(block) === index + 1)
      .map((time) => plannedBlock(time, radio)),
  });
  const others = radios
    .slice(1)
    .map((radio, index) => position(radio, index + 1))
    .filter(({ blocks }) => blocks.length > 0);
  return succeed([position(radios[0], 0), ...others]);
}

/**
 * A radio's figures as plain numbers, at the battery. Behind a converter that holds its volts it takes power rather than amps, and
 * the battery's volts neither shut it off nor harm it.
 */
function plannedRadio(radio: Radio, trip: Trip, carried: readonly Carried[], part: string): PlannedRadio {
  const { receiveA, receiveSheetA, receiveByEarA, fullPowerV, maxV } = radio;
  const supply = supplyIn(trip, carried, part);
  const times = supply ? ampsBehind(supply, middleVolts(trip, carried)) : 1;
  const amps = (figure: Figure) => ({ amps: times * figure.value, ...trustOf(figure) });
  // At its word a data sheet is no upper bound, but a figure like any other.
  const receive = (figure: Figure) =>
    trip.sheetsAsStated && figure.source === 'datasheet'
      ? { ...amps(figure), source: 'assumed' as const, spread: STATED_SPREAD }
      : amps(figure);
  const internal = internalOf(radio, trip);
  return {
    gear: radio.id,
    name: radio.name,
    figures: {
      receive: [receive(receiveA), ...(receiveSheetA ? [receive(receiveSheetA)] : [])],
      ...(receiveByEarA && { receiveByEar: [receive(receiveByEarA)] }),
      transmit: radio.transmit.map((point) => ({
        rfW: point.rfW,
        amps: times * point.amps,
        ...trustOf(currentOf(point)),
      })),
    },
    dropoutV: supply ? 0 : radio.dropoutV.value,
    ...(fullPowerV && !supply && { fullPowerV: fullPowerV.value }),
    ...(maxV && !supply && { maxV: maxV.value }),
    ...(internal && { internal }),
  };
}

function internalOf({ internal }: Radio, trip: Trip): InternalBattery | null {
  if (!internal) return null;
  return {
    wattHours: internal.wattHours.value,
    startSoc: trip.ownSoc ?? 1,
    chargeW: internal.chargeW.value,
    chargesWhileOperating: internal.chargesWhileOperating,
  };
}

/** Standard deviation of a data sheet's receive current that the trip takes at its word, a share. Source: convention of this project. */
const STATED_SPREAD = 0.05;

/** A block of operating as plain numbers, with what the bench found for its mode. */
function plannedBlock({ block, startMs, endMs }: Occurrence, radio: Radio): PlannedBlock {
  const { mode, activity, modeFactor, processed, powerW, rating: assumption } = block;
  const { share, from } = blockDuty(block, radio);
  const { keyUpAtReceive, byEar } = familyOf(mode);
  const over = radio.overs?.find((measured) => measured.mode === mode && measured.source !== 'simulated');
  return {
    startMs,
    endMs,
    label: sayWork({ mode, powerW }),
    ...{ mode, activity },
    ...(from && { shareFrom: from }),
    powerW,
    modeFactor: modeFactor ?? usualFactor(mode, processed),
    // What the user says of this very block goes before the bench.
    ...(over && modeFactor === undefined && !processed && { measuredFactor: over.factor }),
    ...(assumption && { assumption }),
    keyUpAtReceive,
    byEar,
    share,
  };
}
