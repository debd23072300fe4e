import type { ChemistryName } from '../battery/chemistry.js';

const LITHIUM: readonly ChemistryName[] = ['lifepo4', 'liion'];
const LEAD: readonly ChemistryName[] = ['agm', 'gel', 'flooded'];

/**
 * What can hurt someone in the work with a battery, in short sentences to stand beside it. They do not
 * replace the makers' instructions, local electrical codes or licensed practice.
 */
export function cautions(chemistry: ChemistryName): readonly string[] {
  const sentences = ['A shorted battery burns: a fuse in the positive lead, within 20 cm of the terminal.'];
  if (LITHIUM.includes(chemistry))
    sentences.push('Never charge it below 0 °C, and only with a charger for its chemistry.');
  if (LEAD.includes(chemistry)) {
    sentences.push('Charge it where gas can escape, soon after use: deep discharge ruins it.');
  }
  if (chemistry === 'alkaline') sentences.push('Never charge it. Change all cells together.');
  if (chemistry === 'nimh') sentences.push('Do not charge it below 0 °C.');
  return sentences;
}
