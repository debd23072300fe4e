import type { KeyedRoom } from './trip-rooms';

/** What each key does, as the help lists it. The keys themselves are handled where they act. */
interface Group {
  readonly room: string;
  readonly keys: readonly (readonly [string, string])[];
}

const GROUPS: readonly Group[] = [
  {
    room: 'Everywhere',
    keys: [
      ['?', 'this list'],
      ['g then t', 'Trips'],
      ['g then g', 'Gear'],
      ['g then b', 'Bench'],
      ['g then l', 'Logbook'],
      ['g then s', 'Quick sum'],
      ['g then d', 'Backup'],
      ['g then o', 'Settings'],
      ['g then h', 'Guide'],
      ['t', 'next theme'],
    ],
  },
  {
    room: 'Plan',
    keys: [
      ['n', 'new block'],
      ['u', 'undo; Ctrl z too'],
      ['Shift u', 'redo'],
      ['k', 'keep the change, the plan before fades'],
      ['+ −', 'zoom the hours in, out'],
      ['0', 'all of the outing'],
      ['← →', 'along the outing, with nothing in focus'],
      ['v', 'charge or volts'],
    ],
  },
  {
    room: 'Plan, in a block',
    keys: [
      ['← →', 'move it by 15 minutes'],
      ['↑ ↓', 'longer, shorter by 15 minutes'],
      ['Shift with an arrow', 'by an hour'],
      ['[ ]', 'less, more power'],
      [', .', 'lower, higher transmit duty cycle'],
      ['Enter', 'edit its words'],
      ['Delete', 'remove it'],
    ],
  },
  {
    room: 'Plan, on the sky',
    keys: [
      ['← →', 'choose an hour; with Shift several'],
      ['0 to 8', 'so many eighths of cloud'],
      ['f', 'fog until there'],
      ['r', 'rain from there'],
    ],
  },
  {
    room: 'Size',
    keys: [
      ['Enter', 'try the kit on'],
      ['k', 'keep it'],
      ['u', 'undo'],
    ],
  },
  {
    room: 'Bench',
    keys: [
      ['r', 'record, stop'],
      ['m', 'mark the remainder'],
      ['p', 'find segments'],
      ['s', 'save the chosen segment onto the radio'],
      ['Delete', 'remove the chosen segment'],
    ],
  },
];

/** The list of keys, with the ways to the rooms of a trip. */
export const shortcutsWith = (rooms: readonly KeyedRoom[]): readonly Group[] =>
  GROUPS.map((group, index) =>
    index > 0
      ? group
      : {
          ...group,
          keys: [
            ...group.keys,
            ...rooms.map(({ key, title }) => [`g then ${key}`, `${title} of the trip`] as const),
          ],
        },
  );
