import { begin, calledOff, edited, redone, settled, undone } from './history';

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

  it('forgets a drag that is called off, and gives back what it had cut off', () => {
    const before = undone(edited(begin('a'), 'b'));
    const dragged = edited(edited(before, 'c', 'drag'), 'd', 'drag');
    const off = calledOff(dragged, 'drag');
    expect([off.present, redone(off).present]).toEqual(['a', 'b']);
    expect(calledOff(off, 'drag')).toBe(off);
  });

  it('calls off nothing that is over', () => {
    const over = settled(edited(begin('a'), 'b', 'drag'));
    expect(calledOff(over, 'drag')).toBe(over);
    const other = edited(over, 'c', 'stretch');
    expect(calledOff(other, 'drag')).toBe(other);
  });
});
