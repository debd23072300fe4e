import { part } from '../testing/harness.js';
import { connectionOrder, disconnectionOrder } from './order.js';

const parts = [
  part('Shale 18', 'battery', null),
  part('Curlew 10', 'radio', 'disconnect', { fuseA: 5 }),
  part('lamp', 'load', 'disconnect'),
  part('disconnect', 'disconnect', 'Shale 18'),
  part('Rill 8', 'controller', 'Shale 18'),
  part('Frond 42', 'panel', 'Rill 8'),
];
const words = (steps: readonly { readonly words: string }[]) => steps.map((step) => step.words);

describe('the order of connection', () => {
  it('is battery to controller, loads by what feeds them, fuses, the panel last of all', () => {
    expect(words(connectionOrder(parts)).slice(2, -1)).toEqual([
      'Connect Rill 8 to Shale 18, plus last.',
      'Connect disconnect to Shale 18.',
      'Connect Curlew 10 and lamp to disconnect.',
      'Put the fuses at Shale 18 in.',
      'Lay Frond 42 face down, connect it to Rill 8, then turn it up.',
    ]);
  });

  it('is undone from the panel on', () => {
    expect(words(disconnectionOrder(parts)).slice(1, -1)).toEqual([
      'Turn Frond 42 face down and take it off Rill 8 first.',
      'Take the fuses at Shale 18 out.',
      'Take lamp and Curlew 10 off disconnect.',
      'Take disconnect off Shale 18.',
      'Take Rill 8 off Shale 18, plus first.',
    ]);
  });

  it('begins with the fuses out and the polarity measured, a barrel’s centre too, and ends with terminals capped', () => {
    expect(words(connectionOrder(parts)).slice(0, 2)).toEqual([
      'Switch everything off and take the fuses out.',
      'Measure the polarity of every plug with a meter: red on plus, and of a barrel its centre.',
    ]);
    expect(words(disconnectionOrder(parts)).at(-1)).toContain('cap the terminals');
  });

  it('makes batteries alike before they meet, and takes the loads off diagonally', () => {
    const two = [
      part('joint', 'joint', null),
      part('one', 'battery', 'joint', { fuseA: 20 }),
      part('two', 'battery', 'joint', { fuseA: 20 }),
      part('radio', 'radio', 'joint', { fuseA: 20 }),
    ];
    const cable = words(connectionOrder(two, { batteries: 'parallel' })).slice(2, 4);
    expect(cable[0]).toContain('within 0.1 V');
    expect(cable[1]).toContain('plus at one, minus at two');
    const iron = words(connectionOrder(two, { batteries: 'parallel', fullByCharger: true }))[2];
    expect(iron).toContain('until its charger says so');
  });

  it('lets only one battery at a time through a change-over switch', () => {
    const two = [
      { ...part('joint', 'changeover', null), name: 'change-over switch' },
      part('one', 'battery', 'joint', { fuseA: 20 }),
      part('two', 'battery', 'joint', { fuseA: 20 }),
    ];
    const step = words(connectionOrder(two, { batteries: 'turns', isMixed: true }))[2];
    expect(step).toContain('Set the change-over switch to one: only one battery at a time.');
    expect(step).toContain('set the controller to the other chemistry');
    expect(words(connectionOrder(two, { batteries: 'turns' }))[2]).not.toContain('chemistry');
  });

  it('has no fuse to put into a power station', () => {
    const box = [part('Tarn', 'station', null), part('radio', 'radio', 'Tarn')];
    const all = [...words(connectionOrder(box)), ...words(disconnectionOrder(box)).slice(0, -1)].join(' ');
    expect(all).toContain('Switch the outlets of Tarn on.');
    expect(all).not.toContain('fuse');
  });

  it('gives a reason with each step', () => {
    for (const step of [...connectionOrder(parts), ...disconnectionOrder(parts)]) {
      expect(step.why.length).toBeGreaterThan(20);
    }
  });
});
