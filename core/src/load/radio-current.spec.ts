import { expectMet, readReference } from '../testing/reference.js';
import type { Source } from '../source.js';
import { radioCurrent } from './radio-current.js';
import { bestPoints } from './transmit-points.js';

interface LoadCase {
  receive_a: number;
  transmit_points: { rf_w: number; amps: number; basis: Source }[];
  rf_w: number;
  mode_factor: number;
  key_up_at_receive: boolean;
  transmit_share: number;
  key_down_a: number;
  key_up_a: number;
  over_a: number;
  mean_radio_a: number;
}

describe('radio current', () => {
  const file = readReference<LoadCase>('load');

  it('meets the independent figures', () => {
    expect(file.cases.length).toBeGreaterThan(0);
    for (const given of file.cases) {
      const points = bestPoints(
        given.transmit_points.map(({ rf_w, amps, basis }) => ({ rfW: rf_w, amps, source: basis })),
      );
      const got = radioCurrent(
        { receiveA: given.receive_a, points },
        {
          powerW: given.rf_w,
          modeFactor: given.mode_factor,
          keyUpAtReceive: given.key_up_at_receive,
          share: given.transmit_share,
        },
      );
      expectMet(file, given, 'key_down_a', got.keyDownA);
      expectMet(file, given, 'key_up_a', got.keyUpA);
      expectMet(file, given, 'over_a', got.overA);
      expectMet(file, given, 'mean_radio_a', got.meanA);
    }
  });

  it('agrees with a whiteboard: CW by hand, half the time', () => {
    const radio = { receiveA: 0.1, points: [{ rfW: 10, amps: 2.1 }] };
    const got = radioCurrent(radio, { powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.5 });
    // over = 0.1 + 0.44 x 2.0 = 0.98; mean = (0.98 + 0.1) / 2
    expect(got.overA).toBeCloseTo(0.98, 12);
    expect(got.meanA).toBeCloseTo(0.54, 12);
  });
});
