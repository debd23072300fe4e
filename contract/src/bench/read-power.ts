import type { Radio } from '../documents/gear.js';
import { levelsAt } from './marks.js';

/** A level this near the current of a known power, as a share of it, is that power: sheets and meters differ by as much. */
const NEAR = 0.1;

/**
 * The power, W, at which a radio that transmits draws a current, as its figures know it: the known power whose current is the
 * nearest, within a tenth; where none is, the power that was asked for.
 *
 * @param keyDownA current with the key down, A
 * @param askedW the power that the radio was set to, as far as anybody said, W
 */
export function readPower(keyDownA: number, radio: Radio, askedW: number): number {
  const off = (powerW: number) => {
    const { keyDownA: knownA } = levelsAt(radio, powerW, 'CW');
    return Math.abs(keyDownA - knownA) / knownA;
  };
  const nearest = radio.transmit
    .map(({ rfW }) => rfW)
    .reduce((best, powerW) => (off(powerW) < off(best) ? powerW : best), askedW);
  return off(nearest) <= NEAR ? nearest : askedW;
}
