import { chemistryOf, type ChemistryName } from '../battery/chemistry.js';

/**
 * State of charge that a battery is kept at between outings, 0 to 1: lithium near half, since it ages fastest when it is full;
 * lead always full, since it sulphates otherwise; nickel part charged; cells that cannot be charged are new. Source: usual advice of
 * battery makers; what stands on the label goes first.
 */
export const storageLevel = (chemistry: ChemistryName): number =>
  ({ lithium: 0.5, lead: 1, nickel: 0.5, primary: 1 })[chemistryOf(chemistry).belongsTo];
