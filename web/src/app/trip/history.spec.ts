import { begin, edited, redone, settled, undone } from './history';

describe('history', () => {
  it('goes back and forth over edits', () => {
    const two = edited(edited(begin('a'), 'b'), 'c');
    expect(undone(two).present).toBe('b');
    expect(undone(undone(two)).present).toBe('a');
    expect(redone(undone(two)).present).toBe('c');
  });

  it('stays where it is at either end', () => {
    const one = begin('a');
    expect(undone(one)).toBe(one);
    expect(redone(one)).toBe(one);
  });

  it('takes a drag as one step, until it is settled', () => {
    const dragged = edited(edited(begin('a'), 'b', 'drag'), 'c', 'drag');
    expect(undone(dragged).present).toBe('a');
    const again = edited(settled(dragged), 'd', 'drag');
    expect(undone(again).present).toBe('c');
  });

  it('forgets what was undone once something else is done', () => {
    const other = edited(undone(edited(begin('a'), 'b')), 'c');
    expect(redone(other)).toBe(other);
    expect(undone(other).present).toBe('a');
  });
});
