import type { Accessory, Gear, Cable } from '../documents/gear.js';
import type { AccessoryRule } from '../documents/accessory-rule.js';
import { notSimulated, type Figure } from '../documents/figure.js';
import {
  bestPoints,
  CABLE_RUNS,
  CHEMISTRIES,
  CONVERTERS,
  fixed,
  sayQuantity,
  sayWireSize,
  TECHNOLOGIES,
} from '@knapsack/core';

const SOURCE_WORDS: Record<Figure['source'], string> = {
  datasheet: 'label',
  measured: 'measured',
  assumed: 'assumed',
  learned: 'learned',
  simulated: 'simulated',
};

const CONTROLLER_WORDS = { mppt: 'MPPT', boost: 'boost MPPT', pwm: 'PWM', usb: 'cells on USB' } as const;

export const sourceWord = (figure: Figure): string => SOURCE_WORDS[figure.source];

/** The one or two figures that tell what an item does to the sum, in a few words. */
export function tellingFigures(gear: Gear): string {
  switch (gear.kind) {
    case 'radio': {
      const top = bestPoints(gear.transmit).at(-1);
      return `receive ${amps(gear.receiveA)}, ${top ? `${top.rfW} W at ${sayQuantity({ value: top.amps, unit: 'A' })}` : ''}`;
    }
    case 'battery':
      return `${fixed((notSimulated(gear.measuredAh) ?? gear.ratedAh).value, 1)} Ah ${CHEMISTRIES[gear.chemistry].label}`;
    case 'station':
      return `${sayQuantity({ value: gear.wattHours.value, unit: 'Wh' })} ${CHEMISTRIES[gear.chemistry].label}, boxed`;
    case 'amplifier':
      return `${amps(gear.standbyA)} between overs, ${amps(gear.transmitA)} in them`;
    case 'accessory':
      return `${drawWords(gear)}, ${ruleWords(gear.rule)}`;
    case 'lead':
      return cableWords(gear);
    case 'panel':
      return `${sayQuantity({ value: gear.watts.value, unit: 'W' })} ${TECHNOLOGIES[gear.technology].label}`;
    case 'controller':
      return `${CONTROLLER_WORDS[gear.type]}, up to ${fixed(gear.maxA.value, 0)} A`;
    case 'charger':
      return `${gear.from === 'mains' ? 'on the mains' : 'in a vehicle'}, ${amps(gear.maxA)}`;
    case 'generator':
      return `${sayQuantity({ value: gear.ratedW.value, unit: 'W' })}${gear.fuelLh ? `, ${fixed(gear.fuelLh.value, 2)} l an hour at that` : ''}`;
    case 'distribution':
    case 'antenna':
    case 'other':
      return gear.about ?? 'carried only';
  }
}

export function ruleWords(rule: AccessoryRule): string {
  const inModes = (words: string, modes: readonly string[] | undefined) =>
    modes ? `${words} ${modes.join(' or ')}` : words;
  switch (rule.when) {
    case 'always':
      return 'always on';
    case 'operating':
      return rule.modes ? inModes('while on', rule.modes) : 'while operating';
    case 'transmitting':
      return inModes('with the transmitter', rule.modes);
    case 'dark':
      return rule.white === undefined
        ? 'in the dark'
        : `in the dark, white for ${fixed(rule.white, 0)} min of every hour`;
    case 'warm':
      return `from ${sayQuantity({ value: rule.aboveC, unit: 'C' })}`;
    case 'minutes':
      return `${fixed(rule.anHour, 0)} min of every hour`;
    case 'hours':
      return 'in its own hours';
  }
}

function drawWords({ drawA, drawW, via = 'bus' }: Accessory): string {
  if (drawA) return amps(drawA);
  const watts = sayQuantity({ value: drawW?.value ?? 0, unit: 'W' });
  return via === 'bus' ? watts : `${watts} ${CONVERTERS[via].label}`;
}

function cableWords({ loopOhm, wire, run = 'radio' }: Cable): string {
  const where = run === 'radio' ? '' : `, ${CABLE_RUNS[run].label}`;
  if (!wire) return `${sayQuantity({ value: loopOhm?.value ?? 0, unit: 'ohm' })} there and back${where}`;
  return `${sayQuantity({ value: wire.lengthM, unit: 'm' })} of ${sayWireSize(wire)}${where}`;
}

export const weightWords = (gear: Gear, count: number): string =>
  gear.weightG ? sayQuantity({ value: gear.weightG.value * count, unit: 'g' }) : 'not weighed';

const amps = (figure: Figure): string => sayQuantity({ value: figure.value, unit: 'A' });
