import { followPointer } from './pointer-drag';

describe('a drag', () => {
  let target: HTMLElement;
  let told: string[];
  beforeEach(() => {
    target = document.createElement('div');
    document.body.append(target);
    told = [];
  });
  afterEach(() => {
    // The hand is lifted in the end, for what else looks after it.
    target.dispatchEvent(event('pointerup'));
    target.remove();
  });

  const event = (type: string, clientX = 0, pointerId = 1, pointerType = 'mouse') =>
    new PointerEvent(type, { pointerId, clientX, pointerType, button: 0, bubbles: true });
  const begin = (pointerType = 'mouse') => {
    // A pointer that no device has cannot be captured.
    spyOn(target, 'setPointerCapture');
    spyOn(target, 'hasPointerCapture').and.returnValue(false);
    target.addEventListener('pointerdown', (press) =>
      followPointer(press, {
        move: (_event, dx) => told.push(`move ${dx}`),
        end: (_event, moved) => told.push(moved ? 'end' : 'press'),
        off: () => told.push('off'),
      }),
    );
    target.dispatchEvent(event('pointerdown', 0, 1, pointerType));
  };

  it('is told until its pointer is let go, and not by another finger', () => {
    begin();
    target.dispatchEvent(event('pointermove', 2));
    target.dispatchEvent(event('pointermove', 10));
    target.dispatchEvent(event('pointermove', 99, 2));
    target.dispatchEvent(event('pointerup', 10, 2));
    target.dispatchEvent(event('pointerup', 10));
    target.dispatchEvent(event('lostpointercapture', 10));
    target.dispatchEvent(event('pointermove', 20));
    expect(told).toEqual(['move 10', 'end']);
  });

  it('that goes no further than a shaky hand is a press', () => {
    begin();
    target.dispatchEvent(event('pointermove', 3));
    target.dispatchEvent(event('pointerup', 3));
    expect(told).toEqual(['press']);
  });

  for (const type of ['pointercancel', 'lostpointercapture']) {
    it(`is called off by ${type}`, () => {
      begin();
      target.dispatchEvent(event('pointermove', 10));
      target.dispatchEvent(event(type, 10));
      target.dispatchEvent(event('pointermove', 20));
      expect(told).toEqual(['move 10', 'off']);
    });
  }

  it('of a finger begins after eight pixels sideways', () => {
    begin('touch');
    target.dispatchEvent(event('pointermove', 8));
    target.dispatchEvent(event('pointermove', 9));
    target.dispatchEvent(event('pointerup', 9));
    expect(told).toEqual(['move 9', 'end']);
  });

  it('is called off by Escape, which nobody else hears then', () => {
    let heard = 0;
    const hear = () => (heard += 1);
    document.body.addEventListener('keydown', hear);
    const escape = () => target.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    begin();
    target.dispatchEvent(event('pointermove', 10));
    escape();
    target.dispatchEvent(event('pointermove', 20));
    expect([told, heard]).toEqual([['move 10', 'off'], 0]);
    escape();
    expect(heard).toBe(1);
    document.body.removeEventListener('keydown', hear);
  });
});
