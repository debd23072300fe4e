import { copper, part, still } from '../testing/harness.js';
import {
  toldBy,
  charging,
  draw,
  draws,
  facts,
  pack,
  sound,
  toldOf,
  wired,
  withPart,
  withRun,
} from '../testing/sound-harness.js';
import { checkHarness } from './check-harness.js';

const sentence = (...of: Parameters<typeof toldBy>) => toldBy(...of).sentence;

describe('what is said of the runs of a harness', () => {
  it('names them by their parts, and the cable where one is', () => {
    const thin = { ...wired, ...copper(0.5, 0.6, 1), fuseA: 5 };
    expect(
      sentence('ampacity', withRun('radio', { ...thin, fuseA: 20 }), {
        flow: still({ draws: draws(12), charging: charging(4) }),
      }),
    ).toContain('From box to radio, up to 12.0 A');
    const many = {
      flow: still({ draws: draws(27), charging: charging(4) }),
      packs: [pack({ continuousA: 50, peakA: 50 })],
    };
    expect(sentence('sold', withRun('radio', { fuseA: undefined }), many)).toContain(
      'protects its cable and its connectors',
    );
    expect(sentence('sold', withRun('radio', { fuseA: undefined, cable: 'short cable' }), many)).toContain(
      'protects short cable and its connectors',
    );
    const long = { wire: copper(1, 8).wire! };
    expect(sentence('drop', withRun('radio', long))).toContain('From box to radio, its cable loses');
    expect(sentence('drop', withRun('radio', { ...long, cable: 'long cable' }))).toContain(
      'long cable loses',
    );
    expect(sentence('unknown', withRun('radio', { wire: null }))).toContain('not checked: box to radio.');
  });

  it('tells the sun’s current from the key’s', () => {
    expect(sentence('carries', withRun('mppt', { fuseA: 3 }))).toContain('opens in full sun');
    expect(sentence('carries', withRun('mppt', { fuseA: 3 }))).toContain('up to 4.00 A flow');
    expect(sentence('carries', withRun('panel', { fuseA: 3 }))).toContain('opens in full sun');
    expect(sentence('carries', withRun('radio', { fuseA: 3 }))).toContain('opens while the key is down');
    // What the radio takes at full power, the plan's beside it
    const knob = new Map([...draws(), ['radio', draw(0.3, 4, 9)]] as const);
    expect(
      sentence('carries', withRun('radio', { fuseA: 7.5 }), {
        flow: still({ draws: knob, charging: charging(4) }),
      }),
    ).toContain('up to 9.00 A at full power (4.00 A as planned) flow');
  });

  it('says whose fuse it is that opens too late', () => {
    expect(sentence('guards', withRun('box', { fuseA: 40 }))).toContain('30.0 A and the fuse opens at 40 A');
    const lamp = withPart('lamp', {
      from: 'box',
      run: { ...sound[4].run!, fuseA: undefined, statedA: 3, near: null, far: null },
    });
    expect(sentence('guards', lamp)).toContain('3.00 A and the fuse before it opens at 15 A');
  });

  it('asks of a radio’s first fuse no less than 2 A', () => {
    const alone = (kind: 'radio' | 'load') => [
      part('battery', 'battery', null),
      part('it', kind, 'battery', { ...wired, fuseA: null }),
    ];
    const little = {
      flow: still({ draws: new Map([['it', draw(0.1, 0.4)]]) }),
      radios: [],
      panels: [],
      controllers: [],
    };
    expect(toldBy('fuse', alone('radio'), little).asks).toBe('a fuse of 2 A');
    expect(toldBy('fuse', alone('load'), little).asks).toBe('a fuse of 1 A');
  });

  it('names the part at the end that is live: what a cable leads to, and of a panel what it comes from', () => {
    const bullet = { family: 'bullet4', end: 'plug' } as const;
    expect(sentence('pin', withRun('radio', { far: bullet }))).toContain(
      'the end at radio is a 4 mm bullet plug',
    );
    expect(toldOf(withRun('radio', { near: bullet }))).toEqual(['note polarity radio']);
    expect(sentence('pin', withRun('panel', { near: bullet }))).toContain(
      'the end at mppt is a 4 mm bullet plug',
    );
    expect(toldOf(withRun('panel', { far: bullet }))).toEqual(['note polarity panel']);
  });

  it('offers the end that fits, but no bare pin on the side that is live', () => {
    const has = (kind: 'plug' | 'socket') => [{ family: 'bullet4', end: kind } as const];
    const remedyOf = (id: string, kind: 'plug' | 'socket') =>
      toldBy('mating', withPart(id, { connectors: has(kind) })).remedy;
    // Into a radio's socket goes a bare pin: none is offered on a cable that is live there.
    expect(remedyOf('radio', 'socket')).toBeUndefined();
    expect(remedyOf('radio', 'plug')).toEqual({
      description: '4 mm bullet socket',
      far: { family: 'bullet4', end: 'socket' },
    });
    // At a box its cable is live; the near end of the radio's is not, once it is unplugged.
    const near = toldBy('mating', withPart('mppt', { connectors: has('socket') }));
    expect(near.part).toBe('mppt');
    expect(
      checkHarness(withPart('panel', { connectors: has('socket') }), facts()).map(
        ({ remedy }) => remedy?.far,
      ),
    ).toEqual([{ family: 'bullet4', end: 'plug' }]);
  });
});

describe('what mends a run', () => {
  it('is offered with each of its rules that it mends, and only where somebody looks at it', () => {
    // 4 A and 0.6 A behind the converter: 4.6 A with a quarter to spare are 5.8 A.
    const bare = withRun('box', { fuseA: null });
    expect(toldBy('fuse', bare).remedy).toEqual({ description: 'a 7.5 A fuse', fuseA: 7.5 });
    expect(checkHarness(bare, facts(), false)[0].remedy).toBeUndefined();
    const thin = withRun('radio', { ...copper(0.5, 3), fuseA: 3 });
    const found = checkHarness(thin, facts({ radios: [] }));
    expect(found.map(({ rule, part: where }) => `${rule} ${where}`)).toEqual(['carries radio', 'drop radio']);
    const [first, second] = found;
    expect(first.remedy!.fuseA).toBe(5);
    expect(second.remedy).toEqual(first.remedy);
  });

  it('goes to the run that is told of, each its own', () => {
    const two = withRun('radio', { fuseA: 3 }).map((one) =>
      one.id === 'mppt' ? { ...one, run: { ...one.run!, fuseA: 3 } } : one,
    );
    const fuses = checkHarness(two, facts()).map(({ part: where, remedy }) => [where, remedy?.fuseA]);
    expect(fuses).toEqual([
      ['radio', 5],
      ['mppt', 5],
    ]);
  });

  it('is none of what another part has to mend', () => {
    expect(toldBy('reach', withRun('box', { fuseAtM: 0.5 })).remedy).toEqual({
      description: 'the fuse at 15 cm',
      fuseAtM: 0.15,
    });
    expect(toldBy('supply', withPart('box', { maxA: 4 })).remedy).toBeUndefined();
  });
});
