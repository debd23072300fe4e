/** How panels in parallel are led to their controller: each by a cable of its own, or chained one into the next. */
export const CABLINGS = {
  each: 'each by a cable of its own',
  chain: 'chained one into the next',
} as const;

export type Cabling = keyof typeof CABLINGS;

/**
 * The resistance that panels' own cables make up for the current of all of them together, ohm. Each by a cable of its own a panel
 * sends its part through its cable: R / n. Chained, the cable nearest to the controller carries all, the next one less by one
 * panel, down to one: R (1 + 4 + ... + n^2) / n^2. Source: the losses I^2 R themselves.
 *
 * @param panels in parallel, 1 or more
 * @param cableOhm loop of one cable, ohm
 */
export function cablingOhm(how: Cabling, panels: number, cableOhm: number): number {
  if (how === 'each') return cableOhm / panels;
  let squares = 0;
  for (let behind = 1; behind <= panels; behind++) squares += behind ** 2;
  return (cableOhm * squares) / panels ** 2;
}
