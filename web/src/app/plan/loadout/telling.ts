import type { AccessoryRule, Figure, Gear } from '@knapsack/contract';
import { bestPoints, CHEMISTRIES, fixed, sayQuantity, TECHNOLOGIES } from '@knapsack/core';

const SOURCE_WORDS: Record<Figure['source'], string> = {
  datasheet: 'label',
  measured: 'measured',
  assumed: 'assumed',
  learned: 'learned',
};

const CONTROLLER_WORDS = { mppt: 'tracking', boost: 'boosting', pwm: 'plain switching' } as const;

export const sourceWord = (figure: Figure): string => SOURCE_WORDS[figure.source];

/** The one or two figures that tell what an item does to the sum, in a few words. */
export function tellingFigures(gear: Gear): string {
  switch (gear.kind) {
    case 'radio': {
      const top = bestPoints(gear.transmit).at(-1);
      return `receives on ${amps(gear.receiveA)}, ${top ? `${top.rfW} W on ${sayQuantity({ value: top.amps, unit: 'A' })}` : ''}`;
    }
    case 'battery':
      return `${fixed((gear.measuredAh ?? gear.ratedAh).value, 1)} Ah ${CHEMISTRIES[gear.chemistry].label}`;
    case 'accessory':
      return `${amps(gear.drawA)}, ${ruleWords(gear.rule)}`;
    case 'lead':
      return sayQuantity({ value: gear.loopOhm.value, unit: 'ohm' }) + ' there and back';
    case 'panel':
      return `${sayQuantity({ value: gear.watts.value, unit: 'W' })} ${TECHNOLOGIES[gear.technology].label}`;
    case 'controller':
      return `${CONTROLLER_WORDS[gear.type]}, up to ${fixed(gear.maxA.value, 0)} A`;
    case 'other':
      return gear.about ?? 'carried only';
  }
}

export function ruleWords(rule: AccessoryRule): string {
  if (rule.when === 'always') return 'always on';
  return rule.modes ? `while on ${rule.modes.join(' or ')}` : 'while operating';
}

export const weightWords = (gear: Gear, count: number): string =>
  gear.weightG ? sayQuantity({ value: gear.weightG.value * count, unit: 'g' }) : 'not weighed';

const amps = (figure: Figure): string => sayQuantity({ value: figure.value, unit: 'A' });
