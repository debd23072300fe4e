import type { Controller } from '../panel/controller.js';
import { labelFromWatts } from '../panel/panel.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import type { PackLabel } from '../battery/battery-pack.js';
import type { BatteryChoice, SunChoice } from './choices.js';
import { misfit } from './misfit.js';

const burden = { grams: 1, price: 1, litres: 1, pieces: 1 };
const plan = whiteboardPlan({
  radio: { name: 'Curlew', figures: measuredRadio(1, [10, 3]), dropoutV: 9, maxV: 15 },
});

function answer(
  label: Partial<PackLabel>,
  controller: Partial<Controller>,
  watts = 100,
  change: { coldC?: number; maxV?: number } = {},
) {
  const [pack] = plan.packs;
  const packs = [{ ...pack, label: { ...pack.label, ...label } }];
  const battery: BatteryChoice = {
    ...burden,
    name: 'b',
    packs,
    chemistry: 'lifepo4',
    isPowerStation: false,
    barred: null,
  };
  const of = sunPlan({
    panel: labelFromWatts(watts, 'good_mono'),
    controller: { kind: 'mppt', maxA: 30, wakeShare: 0.01, panelCableOhm: 0, ...controller },
  });
  const sun: SunChoice = {
    ...burden,
    name: 's',
    effort: 0,
    selfUseA: 0,
    throughPowerStation: false,
    by: { lifepo4: of },
  };
  const { maxV = 15, coldC } = change;
  const space = { plan: { ...plan, radio: { ...plan.radio, maxV } }, batteries: [battery], suns: [sun] };
  return misfit({ ...space, ...(coldC !== undefined && { coldC }) }, battery, sun, of)?.rule ?? null;
}

describe('a battery beside a panel', () => {
  it('is stopped where the controller brings more than its maker lets it take, and only then', () => {
    // 1.25 x 0.95 x 100 W / 12.85 V = 9.24 A
    expect(answer({ maxChargeA: 9.2 }, {})).toBe('charge current');
    expect(answer({ maxChargeA: 9.3 }, {})).toBeNull();
    expect(answer({ maxChargeA: 9.2 }, { maxA: 8 })).toBeNull();
    // Without a maker's limit it is a check in Wire, and no stop: 3 A are usual for 6 Ah.
    expect(answer({ ratedAh: 6 }, {})).toBeNull();
  });

  it('is stopped by a PWM that is too small and does not limit, by frost, and by a radio that charging volts would destroy', () => {
    const pwm = { kind: 'pwm', maxA: 5, limitsCurrent: false } as const;
    expect(answer({}, pwm)).toBe('current of the controller');
    expect(answer({}, { ...pwm, limitsCurrent: true })).toBeNull();
    expect(answer({}, {}, 100, { coldC: -1 })).toBe('charging in the cold');
    expect(answer({}, {}, 100, { maxV: 14.3 })).toBe('voltage while charging');
    expect(answer({}, {}, 100, { maxV: 14.6 })).toBeNull();
  });
});
