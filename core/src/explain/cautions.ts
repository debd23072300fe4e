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

/** What of an outing can hurt someone besides its battery. */
export interface Hazards {
  /** An antenna or a mast is set up. */
  readonly hasAntenna: boolean;
  /** Mains voltage is made. */
  readonly hasMains: boolean;
}

/** The same of an outing; local codes and licensed practice go first. */
export const outingCautions = ({ hasAntenna, hasMains }: Hazards): readonly string[] => [
  ...(hasMains
    ? ['Mains voltage kills: keep it dry, behind protection against earth faults; local codes go first.']
    : []),
  ...(hasAntenna
    ? [
        'Set mast and wires up farther from power lines than they are long, and so that they cannot fall towards one.',
        'Thunder: stop, take antenna and panel off, leave the mast alone if the storm is near, and go into a house or a vehicle until 30 minutes after the last thunder. If there is time, lay the mast down.',
      ]
    : []),
];
