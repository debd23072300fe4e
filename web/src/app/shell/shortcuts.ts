/** What each key does, as the help lists it. The keys themselves are handled where they act. */
export const SHORTCUTS: readonly {
  readonly room: string;
  readonly keys: readonly (readonly [string, string])[];
}[] = [
  {
    room: 'Everywhere',
    keys: [
      ['?', 'this list'],
      ['g then t', 'Trips'],
      ['g then s', 'Quick sum'],
      ['t', 'next theme'],
    ],
  },
  {
    room: 'Plan',
    keys: [
      ['n', 'new block'],
      ['← →', 'move the selected block by 15 minutes'],
      ['↑ ↓', 'longer, shorter by 15 minutes'],
      ['Shift with an arrow', 'by an hour'],
      ['[ ]', 'less, more power'],
      [', .', 'less, more time on transmit'],
      ['Enter', 'edit the block'],
      ['Delete', 'take the block out'],
      ['u', 'undo'],
      ['Shift u', 'redo'],
    ],
  },
];
