import { Reconnect } from './reconnect.js';

describe('loads that come back', () => {
  const FIVE_MINUTES = 5 / 60;

  it('do so once the volts have stood for ten minutes on end, while charging', () => {
    const loads = new Reconnect(13);
    loads.takenOff();
    const came = [13.1, 12.9, 13, null, 13.2, 13.1].map((volts) => loads.stoodAt(volts, FIVE_MINUTES));
    // A dip, or a minute without the sun, begins the ten minutes anew.
    expect(came).toEqual([false, false, false, false, false, true]);
    expect(loads.isOn).toBeTrue();
  });

  it('count anew when they are taken off again, and never do so without volts to come back at', () => {
    const loads = new Reconnect(13);
    loads.takenOff();
    expect(loads.stoodAt(13.5, FIVE_MINUTES)).toBeFalse();
    loads.takenOff();
    expect(loads.stoodAt(13.5, FIVE_MINUTES)).toBeFalse();
    const never = new Reconnect(Infinity);
    never.takenOff();
    expect(never.stoodAt(60, 24)).toBeFalse();
    expect(never.isOn).toBeFalse();
  });
});
