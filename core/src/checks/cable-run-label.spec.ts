import { part } from '../testing/harness.js';
import { cableRunLabel } from './cable-run-label.js';

describe('the name of a cable run', () => {
  const parts = [
    part('battery', 'battery', null),
    part('box', 'distribution', 'battery'),
    part('radio', 'radio', 'box'),
    part('rill', 'controller', 'battery'),
    part('frond', 'panel', 'rill'),
    part('second', 'battery', 'joint'),
    part('joint', 'splitter', null),
  ];
  const labelOf = (id: string) =>
    cableRunLabel(
      parts,
      parts.find((one) => one.id === id)!,
    );

  it('follows the current: to the loads from above, from panels and controllers to what they charge', () => {
    expect(labelOf('box')).toBe('battery to box');
    expect(labelOf('radio')).toBe('box to radio');
    expect(labelOf('rill')).toBe('rill to battery');
    expect(labelOf('frond')).toBe('frond to rill');
  });

  it('goes from each battery to the joint behind which they part, and from a power station', () => {
    expect(labelOf('second')).toBe('second to joint');
    expect(cableRunLabel(parts, part('tor', 'station', 'joint'))).toBe('tor to joint');
    expect(cableRunLabel([], part('radio', 'radio', 'gone'))).toBe('the battery to radio');
  });
});
