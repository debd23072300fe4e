import { darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { MINUTE_MS } from '../span.js';
import { OTHER_SKIES, underOtherSky } from './other-sky.js';
import { playInstruments } from './stand-ins.js';

describe('a sky that comes otherwise than forecast', () => {
  const half = { ...fieldPlan().sun!.skyAt(0), cloud: 0.5, rain: true, rainShare: 1 };
  const plan = { ...fieldPlan(), sun: { ...fieldPlan().sun!, skyAt: () => half } };
  const skyAs = (how: (typeof OTHER_SKIES)[number]) => underOtherSky(plan, how).sun!.skyAt(0);

  it('is duller, brighter and dry, or as forecast', () => {
    expect(skyAs('asForecast')).toEqual(half);
    expect(skyAs('duller')).toEqual({ ...half, cloud: 0.8 });
    const { rainShare: _none, ...dry } = half;
    expect(skyAs('brighter')).toEqual({ ...dry, cloud: 0.2, rain: false, fog: false });
    expect(underOtherSky(darkFieldPlan(), 'duller')).toEqual(darkFieldPlan());
  });

  it('charges less, and more; whoever looks up sees it', () => {
    const played = OTHER_SKIES.map((how) =>
      playInstruments(underOtherSky(fieldPlan(), how), 3, { everyMs: 30 * MINUTE_MS }),
    );
    const [forecast, duller, brighter] = played.map(({ truth }) => truth.at(-1)!.soc);
    expect(duller).toBeLessThan(forecast);
    expect(forecast).toBeLessThan(brighter);
    const noon = played.map(({ truth }) => truth.find(({ timeMs }) => timeMs >= fieldHour(6))!.sky!.cloud);
    expect(noon[1]).toBeGreaterThan(noon[2]);
  });
});
