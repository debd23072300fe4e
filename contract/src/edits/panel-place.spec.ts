import { MOST_SKYLINE } from '../fields/fields.js';
import { hour, trip } from '../testing/outing.js';
import {
  addShade,
  changePoint,
  changeShade,
  changeTurn,
  firstAim,
  readCourse,
  removeShade,
  sayCourse,
  widestGap,
} from './panel-place.js';

describe('editing the panel’s place', () => {
  it('adds, changes and takes out hours of shade', () => {
    const added = addShade(trip());
    expect(added.panelPlace?.shade).toEqual([
      {
        start: new Date(hour(12)).toISOString(),
        end: new Date(hour(14)).toISOString(),
        fraction: 1,
        label: 'shade',
      },
    ]);
    expect(changeShade(added, 0, { fraction: 0.3 }).panelPlace?.shade?.[0].fraction).toBe(0.3);
    expect(removeShade(added, 0).panelPlace?.shade).toEqual([]);
    const two = changeShade(addShade(added), 1, { fraction: 0.3 });
    expect(two.panelPlace!.shade!.map(({ fraction }) => fraction)).toEqual([1, 0.3]);
    expect(removeShade(two, 0).panelPlace!.shade!.map(({ fraction }) => fraction)).toEqual([0.3]);
    // A plan that does not say how the panel lies has no shade, and keeps its own mount where it has said.
    expect(changeShade(trip(), 0, { fraction: 1 }).panelPlace?.shade).toEqual([]);
    expect(removeShade(trip(), 0).panelPlace?.shade).toEqual([]);
    const tilted = {
      ...trip(),
      panelPlace: { mount: 'propped', ground: 'snow', aim: { how: 'flat' } },
    } as const;
    expect(addShade(tilted).panelPlace).toEqual(
      jasmine.objectContaining({ mount: 'propped', ground: 'snow' }),
    );
    expect(changeTurn(tilted, 0, hour(9))).toBe(tilted);
  });

  it('keeps the turns of a panel in order, and the last of them', () => {
    const turned = {
      ...trip(),
      panelPlace: { mount: 'flat', ground: 'grass', aim: firstAim('at', trip()) },
    } as const;
    const times = (of: ReturnType<typeof changeTurn>) =>
      of.panelPlace?.aim.how === 'at'
        ? of.panelPlace.aim.times.map((time) => new Date(time).getUTCHours())
        : [];
    expect(times(turned)).toEqual([12]);
    const two = changeTurn(turned, 1, hour(9));
    expect(times(two)).toEqual([9, 12]);
    expect(times(changeTurn(two, 0, hour(15)))).toEqual([12, 15]);
    expect(times(changeTurn(two, 0, null))).toEqual([12]);
    expect(changeTurn(turned, 0, null)).toBe(turned);
  });

  it('looks at the noon sun first, on both halves of the globe', () => {
    expect(
      firstAim('fixed', trip({ place: { name: 'x', timeZone: 'UTC', latitudeDeg: -40, longitudeDeg: 0 } })),
    ).toEqual({
      how: 'fixed',
      tiltDeg: 40,
      azimuthDeg: 0,
    });
    expect(firstAim('fixed', trip())).toEqual({ how: 'fixed', tiltDeg: 40, azimuthDeg: 180 });
  });

  it('takes as many points of a skyline as there is room for, and not one more', () => {
    const course = (count: number) => Array.from({ length: count }, (_, at) => `${at / 2} at 10`).join(', ');
    expect(readCourse(course(MOST_SKYLINE)).ok).toBeTrue();
    const over = readCourse(course(MOST_SKYLINE + 1));
    expect(over.ok ? '' : over.problems[0].code).toBe('skyline-long');
  });

  it('puts a point in, moves it and takes it out, in order and never two in one direction', () => {
    const at = (azimuthDeg: number, elevationDeg = 5) => ({ azimuthDeg, elevationDeg });
    const two = [at(90), at(180)];
    expect(changePoint(two, null, at(120.4, 7.6))).toEqual([at(90), at(120, 8), at(180)]);
    expect(changePoint(two, 0, at(200))).toEqual([at(180), at(200)]);
    expect(changePoint(two, 0, at(180))).toBe(two);
    expect(changePoint(two, 1, null)).toEqual([at(90)]);
    expect(changePoint([], null, at(400, 99))).toEqual([at(359, 90)]);
    expect(changePoint([], null, at(-3, -2))).toEqual([at(0, 0)]);
  });

  it('puts a new point into the widest gap, as high as the skyline is there', () => {
    const at = (azimuthDeg: number, elevationDeg: number) => ({ azimuthDeg, elevationDeg });
    expect(widestGap([])).toEqual(at(180, 10));
    expect(widestGap([at(90, 8)])).toEqual(at(270, 8));
    expect(widestGap([at(90, 0), at(180, 20), at(200, 30)])).toEqual(at(325, 15));
    expect(widestGap([at(20, 4), at(100, 8), at(300, 16)])).toEqual(at(200, 12));
  });

  it('reads a skyline as it says it, and says what is none', () => {
    const points = [
      { azimuthDeg: 90, elevationDeg: 10 },
      { azimuthDeg: 180, elevationDeg: 25.5 },
    ];
    expect(sayCourse(points)).toBe('90 at 10, 180 at 25.5');
    expect(readCourse('180 at 25.5; 90° 10°')).toEqual({ ok: true, value: points });
    expect(readCourse(' 90 at 10 ;180:25.5 ')).toEqual({ ok: true, value: points });
    expect(readCourse('  ')).toEqual({ ok: true, value: [] });
    expect(readCourse('360 at 90').ok).toBeTrue();
    expect(readCourse('open')).toEqual({ ok: true, value: [] });
    const sentence = (text: string) => {
      const read = readCourse(text);
      return read.ok ? 'read' : read.problems[0].sentence;
    };
    expect(sentence('400 at 10')).toContain('“400 at 10” is not one');
    expect(sentence('90 at 95')).toContain('is not one');
    expect(sentence('a hill')).toContain('is not one');
    expect(sentence('90 at 10, 90 at 20')).toContain('a direction twice');
    expect(sentence('0 at 10, 360 at 20')).toContain('a direction twice');
    expect(readCourse('360 at 5')).toEqual({ ok: true, value: [{ azimuthDeg: 0, elevationDeg: 5 }] });
  });
});

describe('an aim to begin with', () => {
  const lies = (how: Parameters<typeof firstAim>[0], latitudeDeg?: number) =>
    firstAim(how, {
      ...trip(),
      place: { ...trip().place, ...(latitudeDeg !== undefined && { latitudeDeg }) },
    });

  it('lies flat, hangs, is turned every hour, or once in the middle of the outing', () => {
    expect(lies('flat')).toEqual({ how: 'flat' });
    expect(lies('hung')).toEqual({ how: 'hung' });
    expect(lies('every')).toEqual({ how: 'every', minutes: 60 });
    expect(lies('at')).toEqual({ how: 'at', times: [new Date(hour(12)).toISOString()] });
  });

  it('faces the equator, and the south where it stands on it or nobody knows', () => {
    const azimuth = (latitudeDeg?: number) => {
      const aim = lies('fixed', latitudeDeg);
      return aim.how === 'fixed' ? aim.azimuthDeg : NaN;
    };
    expect([azimuth(50), azimuth(-30), azimuth(0), azimuth()]).toEqual([180, 0, 180, 180]);
  });
});
