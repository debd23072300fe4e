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
      'Never use it swollen, dropped or wet; never charge it unattended or where people sleep.',
      'It is shipped and disposed of as dangerous goods: ask the carrier and the collection point.',
    );
  }
  if (isLead(chemistry)) {
    sentences.push(
      'Charge it where gas can escape, away from sparks, soon after use: deep discharge ruins it.',
      'Keep it upright and protect your eyes; rinse acid off with plenty of water.',
    );
  }
  if (isLead(chemistry) || isLithium(chemistry)) {
    sentences.push('Take rings and watches off at it: a short circuit through metal burns deep.');
  }
  if (chemistryOf(chemistry).belongsTo === 'nickel') sentences.push('Do not charge it below 0 °C (32 °F).');
  return sentences;
}
