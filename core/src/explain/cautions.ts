import { chemistryOf, isLead, isLithium, isPrimary, type ChemistryName } from '../battery/chemistry.js';

/**
 * What can hurt someone in the work with a battery, in short sentences to stand beside it. They do not
 * replace the makers' instructions, local electrical codes or licensed practice.
 */
export function cautions(chemistry: ChemistryName): readonly string[] {
  const sentences = isPrimary(chemistry)
    ? ['Never charge it: such cells leak or burst. Change all cells together, and mix no kinds.']
    : ['A shorted battery burns: a fuse in the positive cable, within 20 cm (8 in) of the terminal.'];
  if (isLithium(chemistry)) {
    sentences.push(
      'Never charge it below 0 °C (32 °F) or above 45 °C (113 °F), and only with a charger for its chemistry.',
    );
  }
  if (isLead(chemistry)) {
    sentences.push(
      'Charge it where gas can escape, away from sparks, soon after use: deep discharge ruins it.',
    );
  }
  if (chemistryOf(chemistry).belongsTo === 'nickel') sentences.push('Do not charge it below 0 °C (32 °F).');
  return sentences;
}
