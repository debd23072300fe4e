import type { CableRun, PartKind } from '../harness/harness.js';
import { copper, flowOf, part } from '../testing/harness.js';
import type { Remedy } from './check.js';
import { mended, mendCableRun } from './mend-cable-run.js';

const remedyFor = (run: Partial<CableRun>, amps: number) => {
  const parts = [part('battery', 'battery', null), part('radio', 'radio', 'battery', run)];
  return mendCableRun(parts, parts[1], flowOf({ radio: amps }));
};

describe('what mends a run', () => {
  it('is a fuse where only that is missing or too small', () => {
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: null }, 4)).toEqual({
      description: 'a 5 A fuse',
      fuseA: 5,
    });
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: 5 }, 7)).toEqual({
      description: 'a 10 A fuse',
      fuseA: 10,
    });
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: 5 }, 4)).toBeNull();
    // Nothing is known of the wire: the smallest fuse that is sold.
    expect(remedyFor({ fuseA: undefined }, 8)).toEqual({ description: 'a 10 A fuse', fuseA: 10 });
  });

  it('is a smaller fuse before a thicker wire', () => {
    expect(remedyFor({ ...copper(1, 0.6), fuseA: 30 }, 4)).toEqual({ description: 'a 5 A fuse', fuseA: 5 });
  });

  it('is wire and fuse together where no fuse does for the wire there is', () => {
    // 1.25 x 22 A = 27.5 A: a 30 A blade, which wants a wire that carries 30 A: 2.5 mm2.
    const both = { description: '2.5 mm² wire with a 30 A fuse', fuseA: 30, areaMm2: 2.5 };
    expect(remedyFor({ ...copper(1.5, 0.3), fuseA: 10 }, 22)).toEqual(both);
    expect(remedyFor({ ...copper(1.5, 0.3), fuseA: null }, 22)).toEqual(both);
    expect(remedyFor({ fuseA: 40 }, 80)).toEqual({ description: 'a 100 A fuse', fuseA: 100 });
    expect(remedyFor({ fuseA: 40 }, 300)).toBeNull();
  });

  it('is the wire that brings the volts lost under their target, its contacts as they are', () => {
    // 4 A on 3 m of 1 mm2: 0.48 V with the fuse, 3.8 % of 12.6 V; 1.5 mm2 brings it under 3 %.
    expect(remedyFor({ ...copper(1, 3), fuseA: 7.5 }, 4)).toEqual({
      description: '1.5 mm² wire',
      areaMm2: 1.5,
    });
    // A fuse of its own loses 0.12 V at its rating: no wire makes that good.
    expect(remedyFor({ ...copper(16, 30, 400), fuseA: 7.5 }, 4)).toBeNull();
  });

  it('is ends that carry it, fitting what the parts have', () => {
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const remedy = remedyFor({ ...copper(2.5, 0.6), fuseA: 15, near: barrel, far: null }, 12);
    expect(remedy!.near).toEqual({ family: 'flat30', end: 'plug' });
    const stud = { family: 'ring', end: 'socket' } as const;
    const parts = [
      { ...part('battery', 'battery', null), connectors: [stud] },
      part('radio', 'radio', 'battery', { ...copper(2.5, 0.6), fuseA: 15, near: barrel }),
    ];
    expect(mendCableRun(parts, parts[1], flowOf({ radio: 12 }))!.near).toEqual({
      family: 'ring',
      end: 'plug',
    });
  });

  it('is never thicker than its connectors take: then it is a shorter cable', () => {
    const flat = { family: 'flat30', end: 'plug' } as const;
    // 22 A on 5 m: not even 6 mm2, the thickest that goes in, brings it under 3 %; 2.2 m of it do.
    const long = remedyFor({ ...copper(4, 5), fuseA: 30, near: flat, far: flat }, 22)!;
    expect(long.areaMm2).toBe(6);
    expect(long.lengthM).toBe(2.2);
    expect(long.description).toMatch(/^\d\.\d m of 6 mm² wire$/);
    const barrel = { family: 'barrel25', end: 'plug' } as const;
    const thin = remedyFor({ ...copper(1.5, 8), fuseA: 5, near: flat, far: barrel }, 3)!;
    expect([thin.areaMm2, thin.lengthM! < 8]).toEqual([undefined, true]);
    expect(thin.description).toContain('of the same wire');
  });

  it('knows contacts of 45 and 50 A, and changes no end that goes into what a part has', () => {
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const to = (amps: number) =>
      remedyFor({ ...copper(10, 0.6), fuseA: 15, near: barrel, far: barrel }, amps);
    expect(to(28)!.far!.family).toBe('flat45');
    expect(to(38)!.far!.family).toBe('flat50');
    // The radio's own socket carries less than it would have to: no cable mends that.
    const socket = { family: 'barrel25', end: 'socket' } as const;
    const parts = [
      part('battery', 'battery', null),
      {
        ...part('radio', 'radio', 'battery', {
          ...copper(2.5, 0.6),
          fuseA: 15,
          far: { ...socket, end: 'plug' },
        }),
        connectors: [socket],
      },
    ];
    expect(mendCableRun(parts, parts[1], flowOf({ radio: 12 }))).toBeNull();
  });

  it('names ends that are strong enough where what the cable states is not, and changes nothing else of it', () => {
    const flat = { family: 'flat30', end: 'plug' } as const;
    const sound = { ...copper(4, 0.6), fuseA: 25, near: flat, far: flat };
    expect(remedyFor(sound, 20)).toBeNull();
    expect(remedyFor({ ...sound, statedA: 10 }, 20)).toEqual({
      description: 'a 30 A flat-contact pair',
      near: flat,
    });
    // What it states is enough: nothing to do.
    expect(remedyFor({ ...sound, statedA: 30 }, 20)).toBeNull();
    // Nobody has said what its near end is: it gets one.
    expect(remedyFor({ ...sound, near: null, statedA: 10 }, 20)!.near).toEqual(flat);
  });

  it('never puts a bare pin on the side that is live', () => {
    const bullet = { family: 'bullet4', end: 'socket' } as const;
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const mendTo = (end: 'plug' | 'socket') => {
      const parts = [
        part('battery', 'battery', null),
        {
          ...part('radio', 'radio', 'battery', { ...copper(6, 0.6), fuseA: 20, far: barrel }),
          connectors: [{ ...bullet, end }],
        },
      ];
      return mendCableRun(parts, parts[1], flowOf({ radio: 12 }));
    };
    expect(mendTo('plug')!.far).toEqual(bullet);
    // Into a socket goes a bare pin only: there the radio's own connector has to change.
    expect(mendTo('socket')).toBeNull();
  });

  it('asks no fuse of a run behind one, nor of a panel’s, and never the smallest before a radio', () => {
    const flat = { family: 'flat30', end: 'plug' } as const;
    const mend = (kind: PartKind, run: Partial<CableRun>, amps: number, from: PartKind = 'battery') => {
      const parts = [
        part('battery', 'battery', null),
        ...(from === 'battery' ? [] : [part('above', from, 'battery', { ...copper(4, 0.5), fuseA: 10 })]),
        part('it', kind, from === 'battery' ? 'battery' : 'above', { near: flat, far: flat, ...run }),
      ];
      const flow =
        kind === 'panel' || kind === 'controller' ? flowOf({}, { it: amps }) : flowOf({ it: amps });
      return mendCableRun(parts, parts.at(-1)!, flow);
    };
    // 0.4 A want 0.5 A: a lamp gets 1 A, the smallest that is sold, a radio 2 A.
    expect(mend('load', { ...copper(1, 0.5), fuseA: null }, 0.4)!.fuseA).toBe(1);
    expect(mend('radio', { ...copper(1, 0.5), fuseA: null }, 0.4)!.fuseA).toBe(2);
    // Behind a box of 10 A, which guards 1 mm² well enough
    expect(mend('load', { ...copper(1, 0.5), fuseA: null }, 0.4, 'distribution')).toBeNull();
    // A panel’s run wants none, and its own is changed only where it carries too little.
    expect(mend('panel', { ...copper(4, 1), fuseA: undefined }, 3, 'controller')).toBeNull();
    expect(mend('panel', { ...copper(4, 1), fuseA: undefined }, 3)).toBeNull();
    expect(mend('panel', { ...copper(4, 1), fuseA: 3 }, 3, 'controller')!.fuseA).toBe(5);
    // 1.25 x 9 A are 11.25 A, and 0.75 mm² carries 15.
    expect(mend('panel', { ...copper(0.5, 0.4), fuseA: undefined }, 9, 'controller')).toEqual({
      description: '0.75 mm² wire',
      areaMm2: 0.75,
    });
    // One that is far too large for its wire becomes smaller before the wire becomes thicker.
    expect(mend('controller', { ...copper(1, 0.5), fuseA: 40 }, 3)).toEqual({
      description: 'a 5 A fuse',
      fuseA: 5,
    });
  });

  it('is of copper where the wire was clad aluminium and has to be thicker', () => {
    const clad = (areaMm2: number) => ({
      wire: { ...copper(areaMm2, 1).wire!, size: { awg: null, areaMm2, isClad: true } },
      fuseA: 10,
    });
    const remedy = remedyFor(clad(0.5), 8)!;
    expect(remedy.isCopper).toBeTrue();
    expect(remedyFor({ ...copper(0.5, 1), fuseA: 10 }, 8)!.isCopper).toBeUndefined();
    expect(remedyFor({ ...clad(4), fuseA: 5 }, 8)).toEqual({ description: 'a 10 A fuse', fuseA: 10 });
  });

  it('names both ends where they differ, one where they are alike', () => {
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const stud = { family: 'ring', end: 'socket' } as const;
    const parts = [
      { ...part('battery', 'battery', null), connectors: [stud] },
      part('radio', 'radio', 'battery', { ...copper(2.5, 0.6), fuseA: 15, near: barrel, far: barrel }),
    ];
    expect(mendCableRun(parts, parts[1], flowOf({ radio: 12 }))!.description).toBe(
      'a ring terminal and a 30 A flat-contact pair',
    );
    const plain = [part('battery', 'battery', null), parts[1]];
    expect(mendCableRun(plain, parts[1], flowOf({ radio: 12 }))!.description).toBe(
      'a 30 A flat-contact pair',
    );
  });

  it('counts the runs behind that it asks something of', () => {
    const parts = [
      part('battery', 'battery', null),
      part('box', 'distribution', 'battery', { ...copper(4, 0.5), fuseA: 10 }),
      part('radio', 'radio', 'box', copper(4, 0.5)),
      part('lamp', 'load', 'box', copper(1, 0.5)),
      part('fan', 'load', 'box', copper(1, 0.5)),
    ];
    const remedy = mendCableRun(parts, parts[1], flowOf({ radio: 20, lamp: 0.5, fan: 0.5 }))!;
    expect(remedy.description).toBe('a 30 A fuse; and changes of 2 runs behind it');
    expect(remedy.also).toEqual([
      { to: 'lamp', fuseA: 1 },
      { to: 'fan', fuseA: 1 },
    ]);
  });

  it('says what a larger fuse asks of the runs behind it', () => {
    const parts = [
      part('battery', 'battery', null),
      part('box', 'distribution', 'battery', { ...copper(4, 0.5), fuseA: 10 }),
      part('radio', 'radio', 'box', copper(4, 0.5)),
      part('lamp', 'load', 'box', copper(1, 0.5)),
    ];
    const remedy = mendCableRun(parts, parts[1], flowOf({ radio: 20, lamp: 0.5 }));
    // 20.5 A want 30 A; a lamp's wire of 12 A behind it wants a fuse of its own.
    expect(remedy).toEqual({
      description: 'a 30 A fuse; and changes of one run behind it',
      fuseA: 30,
      also: [{ to: 'lamp', fuseA: 1 }],
    });
  });
});

describe('a remedy that is put in', () => {
  const clad = { awg: 14, areaMm2: 2.08, isClad: true };
  const before: Partial<CableRun> = {
    wire: { size: clad, lengthM: 2, contactPairs: 1, bundled: true },
    measuredOhm: 0.02,
    fuseA: 10,
    fuseAtM: 0.5,
    statedA: 20,
    near: { family: 'barrel21', end: 'plug' },
    far: { family: 'barrel25', end: 'plug' },
  };
  const parts = [
    part('battery', 'battery', null),
    part('radio', 'radio', 'battery', before),
    part('lamp', 'load', 'battery', before),
  ];
  const strong = { family: 'flat30', end: 'plug' } as const;
  const radioWith = (remedy: Omit<Remedy, 'description'>) => {
    const [battery, radio, lamp] = mended(parts, 'radio', { description: '', ...remedy });
    expect(battery).toBe(parts[0]);
    if (!remedy.also) expect(lamp).toBe(parts[2]);
    return radio.run!;
  };
  const was = parts[1].run!;

  it('changes what it says and nothing else', () => {
    expect(radioWith({})).toEqual(was);
    expect(radioWith({ fuseA: 15, fuseKind: 'large' })).toEqual({ ...was, fuseA: 15, fuseKind: 'large' });
    expect(radioWith({ fuseAtM: 0.1 })).toEqual({ ...was, fuseAtM: 0.1 });
    expect(radioWith({ stringFuseA: 15 })).toEqual({ ...was, stringFuseA: 15 });
  });

  it('of other wire keeps its contacts, and what was measured of it does not hold any more', () => {
    const wire = was.wire!;
    expect(radioWith({ areaMm2: 4 })).toEqual({
      ...was,
      measuredOhm: null,
      wire: { ...wire, size: { awg: null, areaMm2: 4 } },
    });
    expect(radioWith({ lengthM: 1 })).toEqual({ ...was, measuredOhm: null, wire: { ...wire, lengthM: 1 } });
    expect(radioWith({ isCopper: true })).toEqual({
      ...was,
      measuredOhm: null,
      wire: { ...wire, size: { awg: 14, areaMm2: 2.08 } },
    });
  });

  it('of other ends takes the place of what its cable states', () => {
    expect(radioWith({ near: strong })).toEqual({ ...was, statedA: null, near: strong });
    expect(radioWith({ far: strong })).toEqual({ ...was, statedA: null, far: strong });
  });

  it('goes on to the runs behind that it asks something of', () => {
    const [, radio, lamp] = mended(parts, 'radio', {
      description: '',
      fuseA: 15,
      also: [{ to: 'lamp', fuseA: 5 }],
    });
    expect([radio.run!.fuseA, lamp.run!.fuseA]).toEqual([15, 5]);
  });
});
