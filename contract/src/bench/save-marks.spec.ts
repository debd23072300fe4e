import { curlew } from '../testing/outing.js';
import type { Mark, MarkFigures } from './marks.js';
import { readPower } from './read-power.js';
import { saveMarks, sayRefused } from './save-marks.js';

const figures = (meanA: number, readings = 40): MarkFigures => ({
  meanA,
  meanV: 13,
  peakA: meanA,
  spreadA: 0.01,
  seconds: 10,
  ampereHours: 0,
  wattHours: 0,
  readings,
  share: null,
  factor: null,
});
const mark = (id: number, kind: Mark['kind'], powerW = 10): Mark => ({
  id,
  fromMs: 0,
  toMs: 10_000,
  kind,
  powerW,
});

describe('several marks', () => {
  it('are saved onto the radio in one go, the last of one power over those before', () => {
    const { radio, ids, refused } = saveMarks(
      curlew,
      [
        { mark: mark(1, 'receive'), figures: figures(0.152) },
        { mark: mark(2, 'keyDown'), figures: figures(1.99) },
        { mark: mark(3, 'keyDown', 5), figures: figures(1.31) },
        { mark: mark(4, 'keyDown'), figures: figures(1.95) },
      ],
      '2027-09-04',
    );
    expect(ids).toEqual([1, 2, 3, 4]);
    expect(refused).toEqual([]);
    expect(radio.receiveA.value).toBe(0.152);
    const measured = radio.transmit.filter(({ source }) => source === 'measured');
    expect(measured.find(({ rfW }) => rfW === 10)?.amps).toBe(1.95);
    expect(measured.find(({ rfW }) => rfW === 5)?.amps).toBe(1.31);
  });

  it('stop no other where one says nothing, and say why', () => {
    const { radio, ids, refused } = saveMarks(
      curlew,
      [
        { mark: mark(1, 'keyDown'), figures: figures(0.02) },
        { mark: mark(2, 'receive'), figures: figures(0.2, 1) },
        { mark: mark(3, 'receive'), figures: figures(0.16) },
      ],
      '2027-09-04',
    );
    expect(ids).toEqual([3]);
    expect(radio.receiveA.value).toBe(0.16);
    expect(refused).toEqual([
      {
        id: 1,
        sentence: 'Key down takes more current than receiving; this segment does not. Was the key down?',
      },
      { id: 2, sentence: 'This segment has no readings.' },
    ]);
  });
});

describe('why marks were not taken', () => {
  const marks = [mark(7, 'receive'), mark(3, 'keyDown')];
  const refused = [{ id: 3, sentence: 'Was the key down?' }];

  it('is told with the number in the table, and without where it is the only one that was asked for', () => {
    expect(sayRefused({ ids: [7], refused }, marks)).toEqual(['Segment 2: Was the key down?']);
    expect(sayRefused({ ids: [], refused }, marks)).toEqual(['Was the key down?']);
    expect(sayRefused({ ids: [7], refused: [] }, marks)).toEqual([]);
  });
});

describe('the power that a level tells', () => {
  const radio = {
    ...curlew,
    transmit: [
      { rfW: 5, amps: 1.3, source: 'measured' as const },
      { rfW: 10, amps: 1.92, source: 'measured' as const },
    ],
  };

  it('is the known one whose current is the nearest', () => {
    expect(readPower(1.92, radio, 5)).toBe(10);
    expect(readPower(1.35, radio, 10)).toBe(5);
    expect(readPower(1.9, radio, 10)).toBe(10);
  });

  it('is the one that was asked for where no known one is near', () => {
    expect(readPower(1.6, radio, 8)).toBe(8);
    expect(readPower(9, radio, 10)).toBe(10);
    expect(readPower(0.15, radio, 5)).toBe(5);
  });
});
