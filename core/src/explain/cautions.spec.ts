import { CHEMISTRY_NAMES, isLead, isPrimary } from '../battery/chemistry.js';
import { batteryPackAt } from '../battery/battery-pack.js';
import { cautions } from './cautions.js';

describe('cautions', () => {
  it('ask for a fuse at every battery that can burn, and for no charge where cells leak or burst', () => {
    for (const name of CHEMISTRY_NAMES) {
      expect(cautions(name)[0])
        .withContext(name)
        .toContain(isPrimary(name) ? 'Never charge it' : 'fuse');
    }
  });

  it('tell of gas where lead is charged, and there alone', () => {
    const gas = CHEMISTRY_NAMES.filter((name) =>
      cautions(name).some((sentence) => sentence.includes('where gas can escape')),
    );
    expect(gas).toEqual(CHEMISTRY_NAMES.filter(isLead));
    expect(gas.length).toBe(3);
  });

  it('warn of charging in the cold exactly where the model forbids it', () => {
    for (const name of CHEMISTRY_NAMES) {
      const pack = batteryPackAt({ chemistry: name, cellsInSeries: 4, ratedAh: 10, health: 1 }, -5);
      const warned = cautions(name).some((sentence) => /below 0|Never charge it:/.test(sentence));
      expect(warned)
        .withContext(name)
        .toBe(pack.charge === null);
    }
  });
});
