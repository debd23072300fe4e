import { radioCurrent } from './radio-current.js';

describe('radio current', () => {
  it('agrees with a whiteboard: CW by hand, half the time', () => {
    const radio = { receiveA: 0.1, points: [{ rfW: 10, amps: 2.1 }] };
    const got = radioCurrent(radio, { powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.5 });
    // over = 0.1 + 0.44 x 2.0 = 0.98; mean = (0.98 + 0.1) / 2
    expect(got.overA).toBeCloseTo(0.98, 12);
    expect(got.meanA).toBeCloseTo(0.54, 12);
  });
});
