import { followPointer } from './pointer-drag';

describe('a drag', () => {
  let target: HTMLElement;
  let told: string[];
  beforeEach(() => {
    target = document.createElement('div');
    document.body.append(target);
    told = [];
  });
  afterEach(() => target.remove());

  const event = (type: string, clientX = 0, pointerId = 1) =>
    new PointerEvent(type, { pointerId, clientX, button: 0, bubbles: true });
  const begin = () => {
    // A pointer that no device has cannot be captured.
    spyOn(target, 'setPointerCapture');
    spyOn(target, 'hasPointerCapture').and.returnValue(false);
    target.addEventListener('pointerdown', (press) =>
      followPointer(press, {
        move: (_event, dx) => told.push(`move ${dx}`),
        end: (_event, moved) => told.push(moved ? 'end' : 'press'),
      }),
    );
    target.dispatchEvent(event('pointerdown'));
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
    it(`ends where it is with ${type}`, () => {
      begin();
      target.dispatchEvent(event('pointermove', 10));
      target.dispatchEvent(event(type, 10));
      target.dispatchEvent(event('pointermove', 20));
      expect(told).toEqual(['move 10', 'end']);
    });
  }

  it('ends where it is with Escape, which nobody else hears then', () => {
    let heard = 0;
    const hear = () => (heard += 1);
    document.body.addEventListener('keydown', hear);
    const escape = () => target.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    begin();
    target.dispatchEvent(event('pointermove', 10));
    escape();
    target.dispatchEvent(event('pointermove', 20));
    expect([told, heard]).toEqual([['move 10', 'end'], 0]);
    escape();
    expect(heard).toBe(1);
    document.body.removeEventListener('keydown', hear);
  });
});
