import type { Gear } from '@knapsack/contract';
import { curlew, shale } from '../../testing/documents';
import { figureOf, GEAR_FIELDS, withFigure } from './gear-fields';
import { ruleWords, tellingFigures, weightWords } from './telling';

const common = { schema: 'knapsack.gear', version: 1, id: 'x', name: 'x' } as const;
const label = (value: number) => ({ value, source: 'datasheet' }) as const;

describe('what an item tells about itself', () => {
  it('is what it does to the sum', () => {
    const panel: Gear = { ...common, kind: 'panel', technology: 'thin_film', watts: label(20) };
    const controller: Gear = { ...common, kind: 'controller', type: 'pwm', maxA: label(10) };
    const lead: Gear = { ...common, kind: 'lead', loopOhm: label(0.018) };
    const lamp: Gear = {
      ...common,
      kind: 'accessory',
      drawA: label(0.08),
      rule: { when: 'operating', modes: ['FT8', 'FT4'] },
    };
    expect([curlew, shale, panel, controller, lead, lamp].map(tellingFigures)).toEqual([
      'receives on 0.14 A, 10 W on 1.90 A',
      '10.0 Ah lithium iron',
      '20 W thin film',
      'plain switching, up to 10 A',
      '18.0 mΩ there and back',
      '0.080 A, while on FT8 or FT4',
    ]);
  });

  it('takes the measured capacity before the label’s', () => {
    expect(tellingFigures({ ...shale, measuredAh: { value: 8.7, source: 'measured' } })).toContain('8.7 Ah');
  });

  it('says rules and weights in words', () => {
    expect(ruleWords({ when: 'always' })).toBe('always on');
    expect(ruleWords({ when: 'operating' })).toBe('while operating');
    expect(weightWords(curlew, 2)).toBe('1.40 kg');
    expect(weightWords(shale, 1)).toBe('not weighed');
  });
});

describe('the figures of an item', () => {
  it('are found and replaced by their names, each by the rules of a field', () => {
    const keys = GEAR_FIELDS.radio.map(({ key }) => key);
    expect(keys).toContain('receiveA');
    expect(figureOf(curlew, 'receiveA')).toEqual({ value: 0.14, source: 'measured' });
    expect(figureOf(curlew, 'fullPowerV')).toBeNull();
    const changed = withFigure(curlew, 'receiveA', label(0.2));
    expect(figureOf(changed, 'receiveA')?.value).toBe(0.2);
    expect(figureOf(curlew, 'receiveA')?.value).toBe(0.14);
  });
});
