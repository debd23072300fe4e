import {
  areaOfAwg,
  CONVERTERS,
  readConnector,
  UNKNOWN_RUN,
  USUAL_FUSE_AT_M,
  type HarnessPart,
  type HarnessRun,
  type PartKind,
  type RunName,
} from '@knapsack/core';
import type { Accessory, Amplifier, Gear, Lead } from '../documents/gear.js';
import type { AddedPart, RunNote } from '../documents/harness-notes.js';
import type { Trip } from '../documents/trip.js';
import { counted, isKind, type Carried } from '../resolve/look-up.js';
import { batteryPieces } from './battery-pieces.js';
import { pieceId } from './piece-id.js';

/** Ids of what stands for no single piece of gear. */
export const JOINT = 'joint';
export const NO_BATTERY = 'no-battery';
export const NO_RADIO = 'no-radio';
export const NO_CONTROLLER = 'no-controller';
export const END_OF_LEAD = 'end-of-lead';

/** The converter in front of a load, and the gear that a part's id belongs to. */
export const converterOf = (load: string): string => `${load}.via`;
export const gearOfPart = (part: string): string => part.split('.')[0];

/**
 * The harness of a trip: a tree of parts from the battery outward, drawn from what is in the bag, then changed by what the
 * trip says of it. What is missing stands in it as a gap, so that any kit can be drawn.
 */
export function harnessOf(trip: Trip, carried: readonly Carried[]): readonly HarnessPart[] {
  const notes = new Map((trip.harness?.runs ?? []).map((note) => [note.to, note]));
  return [...partsOfBag(trip, carried), ...(trip.harness?.parts ?? []).map(addedPart)].map((part) =>
    withNote(part, notes.get(part.id)),
  );
}

/** The harness as the bag alone would have it. */
function partsOfBag(trip: Trip, carried: readonly Carried[]): HarnessPart[] {
  const leads = new Map(
    carried.filter(isKind('lead')).map(({ item, gear }) => [runOf(item.run, gear), gear] as const),
  );
  const sources = batteryParts(carried);
  const root = sources[0].id;
  const charging = chargingParts(carried, root, leads);
  const controller = charging.find(({ kind }) => kind === 'controller');
  const onTerminals = trip.radioOn === 'terminals' && controller;
  const boxes = distributionParts(carried, onTerminals ? onTerminals.id : root, leads);
  const loadsFrom = boxes.at(-1)?.id ?? (onTerminals ? onTerminals.id : root);
  return [...sources, ...charging, ...boxes, ...loadParts(carried, loadsFrom, leads)];
}

type Leads = ReadonlyMap<RunName, Lead>;

/** Where a lead goes: as this trip says, else as its gear does. */
export const runOf = (own: RunName | undefined, { run }: Lead): RunName => own ?? run ?? 'radio';

/** The battery as the root; several hang from a joint, each on a lead of its own. */
function batteryParts(carried: readonly Carried[]): HarnessPart[] {
  const pieces = batteryPieces(carried);
  if (pieces.length === 0) return [gap(NO_BATTERY, 'no battery in the bag', null)];
  const part = ({ gear, id, name }: (typeof pieces)[number], from: string | null): HarnessPart => ({
    ...base(id, gear.kind, gear),
    name,
    from,
    run: from === null ? null : UNKNOWN_RUN,
  });
  if (pieces.length === 1) return [part(pieces[0], null)];
  const joint: HarnessPart = {
    id: JOINT,
    kind: 'joint',
    name: 'the batteries',
    from: null,
    run: null,
    connectors: [],
  };
  return [joint, ...pieces.map((piece) => part(piece, JOINT))];
}

/** Panels and what they charge through; a panel without a controller hangs from a gap. */
function chargingParts(carried: readonly Carried[], root: string, leads: Leads): HarnessPart[] {
  const controllers = carried.filter(isKind('controller')).map(({ gear }): HarnessPart => ({
    ...base(gear.id, 'controller', gear),
    from: root,
    run: runOfLead(leads.get('controller')),
  }));
  const panels = carried.filter(isKind('panel'));
  if (panels.length === 0) return controllers;
  const station = carried.find(isKind('station'));
  const into =
    controllers[0] ?? (station ? null : gap(NO_CONTROLLER, 'no charge controller in the bag', root));
  const intoId = into ? into.id : station!.gear.id;
  return [
    ...controllers,
    ...(into && into.kind === 'missing' ? [into] : []),
    ...panels.map(({ gear, item }): HarnessPart => ({
      ...base(gear.id, 'panel', gear),
      name: counted(gear.name, item.count),
      from: intoId,
      run: runOfLead(leads.get('panel')),
    })),
  ];
}

/** Fuse boxes; a lead to where the loads part ends in a splitter where there is no box. */
function distributionParts(carried: readonly Carried[], from: string, leads: Leads): HarnessPart[] {
  const lead = leads.get('distribution');
  const boxes = carried.filter(isKind('distribution'));
  if (boxes.length === 0) {
    return lead
      ? [
          {
            id: END_OF_LEAD,
            kind: 'splitter',
            name: 'splitter',
            from,
            run: runOfLead(lead),
            connectors: [],
          },
        ]
      : [];
  }
  return boxes.map(({ gear }, index): HarnessPart => ({
    ...base(gear.id, 'distribution', gear),
    from: index === 0 ? from : boxes[index - 1].gear.id,
    run: index === 0 ? runOfLead(lead) : UNKNOWN_RUN,
    ...(gear.maxA && { maxA: gear.maxA.value }),
  }));
}

/** Radios, amplifiers and accessories; what wants other volts hangs behind its converter. */
function loadParts(carried: readonly Carried[], from: string, leads: Leads): HarnessPart[] {
  const radios = carried.filter(isKind('radio')).flatMap(({ gear, item }) =>
    Array.from({ length: item.count }, (_, index): HarnessPart => ({
      ...base(pieceId(gear.id, index), 'radio', gear),
      name: item.count > 1 ? `${gear.name} no. ${index + 1}` : gear.name,
      from,
      run: UNKNOWN_RUN,
    })),
  );
  const [first, ...others] = radios;
  const more = carried.flatMap(({ gear, item }) =>
    gear.kind === 'amplifier' || gear.kind === 'accessory' ? loadPart(gear, item.count, from) : [],
  );
  return [
    ...(first
      ? [{ ...first, run: runOfLead(leads.get('radio')) }, ...others]
      : [gap(NO_RADIO, 'no radio in the bag', from)]),
    ...more,
  ];
}

function loadPart(gear: Accessory | Amplifier, count: number, from: string): HarnessPart[] {
  const via = gear.kind === 'accessory' && gear.via && gear.via !== 'bus' ? gear.via : null;
  const load: HarnessPart = {
    ...base(gear.id, gear.kind === 'amplifier' ? 'amplifier' : 'load', gear),
    name: counted(gear.name, count),
    from: via ? converterOf(gear.id) : from,
    run: via ? null : UNKNOWN_RUN,
  };
  if (!via) return [load];
  const converter: HarnessPart = {
    id: converterOf(gear.id),
    kind: via === 'mains' ? 'inverter' : 'converter',
    name: `${CONVERTERS[via].label}${via === 'mains' ? '' : ' converter'}`.replace(
      'converter converter',
      'converter',
    ),
    from,
    run: UNKNOWN_RUN,
    connectors: [],
  };
  return [converter, load];
}

const base = (id: string, kind: PartKind, gear: Gear) => ({
  id,
  kind,
  name: gear.name,
  connectors: (gear.connectors ?? []).map(readConnector).filter((connector) => connector !== null),
});

const gap = (id: string, name: string, from: string | null): HarnessPart => ({
  id,
  kind: 'missing',
  name,
  from,
  run: from === null ? null : UNKNOWN_RUN,
  connectors: [],
});

/** A run as the lead of the bag has it. */
function runOfLead(lead: Lead | undefined): HarnessRun {
  if (!lead) return UNKNOWN_RUN;
  const { name, loopOhm, wire, connectors = [] } = lead;
  const [near = null, far = near] = connectors.map(readConnector);
  const [fuseA = null, ...moreFusesA] = wire?.fusesA ?? [];
  return {
    lead: name,
    measuredOhm: loopOhm?.value ?? null,
    wire: wire
      ? {
          size: sizeOf(wire),
          lengthM: wire.lengthM,
          contactPairs: wire.contactPairs,
          bundled: wire.bundled ?? false,
        }
      : null,
    fuseA: wire ? fuseA : undefined,
    moreFusesA,
    fuseAtM: USUAL_FUSE_AT_M,
    statedA: wire?.connectorA ?? null,
    near,
    far,
  };
}

export const sizeOf = ({ awg, areaMm2 }: { readonly awg?: number; readonly areaMm2?: number }) =>
  awg === undefined ? { awg: null, areaMm2: areaMm2 ?? 1 } : { awg, areaMm2: areaOfAwg(awg) };

function addedPart({ id, kind, name, maxA, from }: AddedPart): HarnessPart {
  return {
    id,
    kind,
    name: name ?? ADDED_NAMES[kind],
    from,
    run: UNKNOWN_RUN,
    connectors: [],
    ...(maxA !== undefined && { maxA }),
  };
}

/** What an added part is called unless it has a name of its own. */
export const ADDED_NAMES: Record<AddedPart['kind'], string> = {
  splitter: 'splitter',
  distribution: 'fuse box',
  disconnect: 'low-voltage disconnect',
  converter: 'DC-DC converter',
  inverter: 'mains inverter',
};

/** What nobody has said of a run to which something has been: a contact pair at each end, a metre. */
const USUAL_WIRE = { lengthM: 1, contactPairs: 2, areaMm2: 2.5 } as const;

/** A part with what the trip says of its run; what was measured of a lead does not hold for another wire. */
function withNote(part: HarnessPart, note: RunNote | undefined): HarnessPart {
  if (!note || !part.run) return part;
  const { run } = part;
  const { from, lengthM, awg, areaMm2, contactPairs, bundled, near, far, fuseA, fuseAtM } = note;
  const isOtherWire = [lengthM, awg, areaMm2, contactPairs].some((said) => said !== undefined);
  const wire =
    run.wire || isOtherWire
      ? {
          size:
            awg !== undefined || areaMm2 !== undefined
              ? sizeOf({ ...(awg !== undefined && { awg }), ...(areaMm2 !== undefined && { areaMm2 }) })
              : (run.wire?.size ?? { awg: null, areaMm2: USUAL_WIRE.areaMm2 }),
          lengthM: lengthM ?? run.wire?.lengthM ?? USUAL_WIRE.lengthM,
          contactPairs: contactPairs ?? run.wire?.contactPairs ?? USUAL_WIRE.contactPairs,
          bundled: bundled ?? run.wire?.bundled ?? false,
        }
      : null;
  return {
    ...part,
    ...(from !== undefined && { from }),
    run: {
      ...run,
      measuredOhm: isOtherWire ? null : run.measuredOhm,
      wire,
      fuseA: fuseA === undefined ? run.fuseA : fuseA === 0 ? null : fuseA,
      fuseAtM: fuseAtM ?? run.fuseAtM,
      // A stated rating is that of the lead's own connectors.
      statedA: near || far ? null : run.statedA,
      near: near ?? run.near,
      far: far ?? run.far,
    },
  };
}
