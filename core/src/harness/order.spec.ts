import { part } from '../testing/harness.js';
import { connectionOrder, disconnectionOrder } from './order.js';

const parts = [
  part('Shale 18', 'battery', null),
  part('Curlew 10', 'radio', 'disconnect'),
  part('lamp', 'load', 'disconnect'),
  part('disconnect', 'disconnect', 'Shale 18'),
  part('Rill 8', 'controller', 'Shale 18'),
  part('Frond 42', 'panel', 'Rill 8'),
];
const words = (steps: readonly { readonly words: string }[]) => steps.map((step) => step.words);

describe('the order of connection', () => {
  it('is battery to controller, loads by what feeds them, fuses, the panel last of all', () => {
    expect(words(connectionOrder(parts)).slice(2, -1)).toEqual([
      'Join Rill 8 to Shale 18, plus last.',
      'Join disconnect to Shale 18.',
      'Join Curlew 10 and lamp to disconnect.',
      'Put the fuses at Shale 18 in.',
      'Lay Frond 42 face down, join it to Rill 8, then turn it up.',
    ]);
  });

  it('is undone from the panel on', () => {
    expect(words(disconnectionOrder(parts)).slice(1)).toEqual([
      'Turn Frond 42 face down and take it off Rill 8 first.',
      'Take the fuses at Shale 18 out.',
      'Take lamp and Curlew 10 off disconnect.',
      'Take disconnect off Shale 18.',
      'Take Rill 8 off Shale 18, plus first.',
    ]);
  });

  it('gives a reason with each step', () => {
    for (const step of [...connectionOrder(parts), ...disconnectionOrder(parts)]) {
      expect(step.why.length).toBeGreaterThan(20);
    }
  });
});
