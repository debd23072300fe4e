import { PAD_KEYS, pressed, readTyped, type PadKey } from './typed-number';

const typed = (...keys: readonly PadKey[]) => keys.reduce(pressed, '');

describe('a number typed on the pad', () => {
  it('grows and shrinks', () => {
    expect(typed('1', '2', '.', '7', '1')).toBe('12.71');
    expect(typed('1', '2', '.', 'back', '5')).toBe('125');
    expect(typed('back')).toBe('');
  });

  it('has one point, never begins with it, and no noughts before it', () => {
    expect(typed('.', '4')).toBe('0.4');
    expect(typed('1', '.', '2', '.', '3')).toBe('1.23');
    expect(typed('0', '0', '7')).toBe('7');
  });

  it('has seven digits at the most', () => {
    expect(typed('1', '2', '3', '4', '5', '6', '7', '8')).toBe('1234567');
    expect(typed('1', '2', '3', '.', '4', '5', '6', '7', '8')).toBe('123.4567');
  });

  it('is read with a point or a comma, and nothing else is', () => {
    expect([readTyped('12.71'), readTyped(' 12,71 '), readTyped('12.'), readTyped('.5')]).toEqual([
      12.71, 12.71, 12, 0.5,
    ]);
    for (const text of ['', '.', 'constructor', '1.2.3', '-4', '1e3'])
      expect(readTyped(text)).withContext(text).toBeNull();
    expect(PAD_KEYS.length).toBe(12);
  });
});
