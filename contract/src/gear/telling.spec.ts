import type { Gear } from '../documents/gear.js';
import { curlew, shale } from '../testing/outing.js';
import { fieldsOf, figureOf, GEAR_FIELDS, typedOver, withFigure } from './gear-fields.js';
import { toldFigures } from './say-figure.js';
import { ruleWords, tellingFigures, weightWords } from './telling.js';

const common = { schema: 'knapsack.gear', version: 8, id: 'x', name: 'x' } as const;
const label = (value: number) => ({ value, source: 'datasheet' }) as const;

describe('what an item tells about itself', () => {
  it('is on the card what was said of it, or worked out from the wire of a cable', () => {
    expect(toldFigures(curlew)[0]).toEqual({
      label: 'receive current',
      words: '0.14 A',
      source: 'measured',
      pinned: false,
    });
    // 0.01724 ohm mm2/m over 8 m of 1.5 mm2, and two contact pairs of 1 mohm each: 93.9 mohm.
    const wire = { areaMm2: 1.5, lengthM: 4, contactPairs: 2, connectorA: 30 };
    expect(toldFigures({ ...common, kind: 'lead', wire })).toEqual([
      { label: 'there and back', words: '94 mΩ', source: 'worked out', pinned: false },
    ]);
  });

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
      'receive 0.14 A, 10 W at 1.90 A',
      '10.0 Ah LiFePO4',
      '20 W thin film',
      'PWM, up to 10 A',
      '18.0 mΩ there and back',
      '0.080 A, while on FT8 or FT4',
    ]);
  });

  it('tells watts, wires and boxes as what they are', () => {
    const light: Gear = {
      ...common,
      kind: 'accessory',
      drawW: label(0.9),
      via: 'usb',
      rule: { when: 'dark' },
    };
    const wire = { areaMm2: 1.5, lengthM: 4, contactPairs: 2, connectorA: 30 };
    const lead: Gear = { ...common, kind: 'lead', run: 'panel', wire };
    const box: Gear = {
      ...common,
      kind: 'station',
      chemistry: 'lifepo4',
      cellsInSeries: 8,
      wattHours: label(256),
    };
    expect([light, lead, box].map(tellingFigures)).toEqual([
      '0.9 W USB, in the dark',
      '4.0 m of 1.5 mm², panel to controller',
      '256 Wh LiFePO4, boxed',
    ]);
    expect(ruleWords({ when: 'minutes', anHour: 10 })).toBe('10 min of every hour');
    expect(ruleWords({ when: 'transmitting', modes: ['CW'] })).toBe('with the transmitter CW');
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
    const changed = withFigure(curlew, { key: 'receiveA', plain: false }, label(0.2));
    expect(figureOf(changed, 'receiveA')?.value).toBe(0.2);
    expect(figureOf(curlew, 'receiveA')?.value).toBe(0.14);
  });

  it('that are typed over become history, unless they were assumed', () => {
    const measured = { value: 0.14, source: 'measured', date: '2027-05-01' } as const;
    expect(typedOver(measured, 0.15, '2027-06-01')).toEqual({
      value: 0.15,
      source: 'measured',
      date: '2027-06-01',
      others: [measured],
    });
    expect(typedOver({ value: 1, source: 'assumed' }, 2, '2027-06-01')).toEqual({
      value: 2,
      source: 'datasheet',
    });
    expect(typedOver(null, 2, '2027-06-01')).toEqual({ value: 2, source: 'datasheet' });
  });

  it('are those of what the item is described by', () => {
    const wire = { awg: 14, lengthM: 4, contactPairs: 2, connectorA: 30 };
    const lead: Gear = { ...common, kind: 'lead', wire };
    expect(fieldsOf(lead).map(({ key }) => key)).toEqual([
      'wire.awg',
      'wire.lengthM',
      'wire.contactPairs',
      'wire.connectorA',
      'weightG',
    ]);
    expect(figureOf(lead, 'wire.lengthM')?.value).toBe(4);
    expect(withFigure(lead, { key: 'wire.lengthM', plain: true }, label(2))).toEqual({
      ...lead,
      wire: { ...wire, lengthM: 2 },
    });
    expect(figureOf(shale, 'cellsInSeries')?.value).toBe(4);
    expect(withFigure(shale, { key: 'cellsInSeries', plain: true }, label(3))).toEqual({
      ...shale,
      cellsInSeries: 3,
    });
    const watts: Gear = { ...common, kind: 'accessory', drawW: label(5), rule: { when: 'transmitting' } };
    expect(fieldsOf(watts).map(({ key }) => key)).toEqual(['drawW', 'transmitDraw', 'weightG']);
  });
});
