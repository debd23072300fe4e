import { CHEMISTRY_NAMES } from '../battery/chemistry.js';
import { packAt } from '../battery/pack.js';
import { cautions } from './cautions.js';

describe('cautions', () => {
  it('ask for a fuse at every battery', () => {
    for (const name of CHEMISTRY_NAMES) expect(cautions(name)[0]).toContain('fuse');
  });

  it('warn of charging in the cold exactly where the model forbids it', () => {
    for (const name of CHEMISTRY_NAMES) {
      const pack = packAt({ chemistry: name, cellsInSeries: 4, ratedAh: 10, health: 1 }, -5);
      const warned = cautions(name).some((sentence) => /below 0|Never charge it\./.test(sentence));
      expect(warned)
        .withContext(name)
        .toBe(pack.charge === null);
    }
  });
});
