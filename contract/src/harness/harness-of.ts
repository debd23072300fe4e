import {
  CONVERTERS,
  readConnector,
  UNKNOWN_CABLE_RUN,
  USUAL_SUPPLY,
  type HarnessPart,
  type PartKind,
  type CableRunName,
} from '@knapsack/core';
import type { Accessory, Amplifier, Gear, Cable } from '../documents/gear.js';
import type { AddedPart } from '../documents/harness-notes.js';
import type { Trip } from '../documents/trip.js';
import { counted, isKind, type Carried } from '../resolve/look-up.js';
import { batteryPieces } from './battery-pieces.js';
import { cableRunNameOf, cableRunOf, withNote } from './cable-runs.js';
import { pieceId } from './piece-id.js';

/** Ids of what stands for no single piece of gear. */
export const JOINT = 'joint';
export const NO_BATTERY = 'no-battery';
export const NO_RADIO = 'no-radio';
export const NO_CONTROLLER = 'no-controller';
export const END_OF_CABLE = 'end-of-lead';

/** The converter in front of a load, and the gear that a part's id belongs to. */
export const converterOf = (load: string): string => `${load}.via`;
/** The mains outlet of a power station. */
export const outletOf = (powerStation: string): string => `${powerStation}.mains`;
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
  const cables = new Map(
    carried.filter(isKind('lead')).map(({ item, gear }) => [cableRunNameOf(item.run, gear), gear] as const),
  );
  const sources = batteryParts(trip, carried);
  const root = sources[0].id;
  const charging = chargingParts(carried, root, cables);
  const controller = charging.find(({ kind }) => kind === 'controller');
  const onTerminals = trip.radioOn === 'terminals' && controller;
  const boxes = distributionParts(carried, onTerminals ? onTerminals.id : root, cables);
  const loadsFrom = boxes.at(-1)?.id ?? (onTerminals ? onTerminals.id : root);
  const powerStation = sources.length === 1 && sources[0].kind === 'station' ? sources[0] : null;
  return [...sources, ...charging, ...boxes, ...loadParts(carried, loadsFrom, cables, powerStation)];
}

type CablesByRun = ReadonlyMap<CableRunName, Cable>;

/** The battery as the root; several hang from a joint or a change-over switch, each on a cable of its own. */
function batteryParts(trip: Trip, carried: readonly Carried[]): HarnessPart[] {
  const pieces = batteryPieces(carried);
  if (pieces.length === 0) return [gap(NO_BATTERY, 'no battery in the bag', null)];
  const part = ({ gear, id, name }: (typeof pieces)[number], from: string | null): HarnessPart => ({
    ...base(id, gear.kind, gear),
    name,
    from,
    run: from === null ? null : UNKNOWN_CABLE_RUN,
  });
  if (pieces.length === 1) return [part(pieces[0], null)];
  const change = trip.batteryUse === 'turns' ? trip.harness?.changeover : undefined;
  const joint: HarnessPart = {
    id: JOINT,
    kind: change ? 'changeover' : 'joint',
    name: change ? (change.name ?? CHANGEOVER_NAME) : 'the batteries',
    from: null,
    run: null,
    connectors: [],
    ...(change?.maxA !== undefined && { maxA: change.maxA }),
  };
  return [joint, ...pieces.map((piece) => part(piece, JOINT))];
}

/** Panels and what they charge through; a panel without a controller hangs from a gap. */
function chargingParts(carried: readonly Carried[], root: string, cables: CablesByRun): HarnessPart[] {
  const controllers = carried.filter(isKind('controller')).map(({ gear }): HarnessPart => ({
    ...base(gear.id, 'controller', gear),
    from: root,
    run: cableRunOf(cables.get('controller')),
  }));
  const panels = carried.filter(isKind('panel'));
  if (panels.length === 0) return controllers;
  const powerStation = carried.find(isKind('station'));
  const into =
    controllers[0] ?? (powerStation ? null : gap(NO_CONTROLLER, 'no charge controller in the bag', root));
  const intoId = into ? into.id : powerStation!.gear.id;
  return [
    ...controllers,
    ...(into && into.kind === 'missing' ? [into] : []),
    ...panels.map(({ gear, item }): HarnessPart => ({
      ...base(gear.id, 'panel', gear),
      name: counted(gear.name, item.count),
      from: intoId,
      run: cableRunOf(cables.get('panel')),
    })),
  ];
}

/** Fuse boxes; a lead to where the loads part ends in a splitter where there is no box. */
function distributionParts(carried: readonly Carried[], from: string, cables: CablesByRun): HarnessPart[] {
  const cable = cables.get('distribution');
  const boxes = carried.filter(isKind('distribution'));
  if (boxes.length === 0) {
    return cable
      ? [
          {
            id: END_OF_CABLE,
            kind: 'splitter',
            name: 'splitter',
            from,
            run: cableRunOf(cable),
            connectors: [],
          },
        ]
      : [];
  }
  return boxes.map(({ gear }, index): HarnessPart => ({
    ...base(gear.id, 'distribution', gear),
    from: index === 0 ? from : boxes[index - 1].gear.id,
    run: index === 0 ? cableRunOf(cable) : UNKNOWN_CABLE_RUN,
    ...(gear.maxA && { maxA: gear.maxA.value }),
  }));
}

/** Radios, amplifiers and accessories; what wants other volts hangs behind its converter. */
function loadParts(
  carried: readonly Carried[],
  from: string,
  cables: CablesByRun,
  powerStation: HarnessPart | null,
): HarnessPart[] {
  const radios = carried.filter(isKind('radio')).flatMap(({ gear, item }) =>
    Array.from({ length: item.count }, (_, index): HarnessPart => ({
      ...base(pieceId(gear.id, index), 'radio', gear),
      name: item.count > 1 ? `${gear.name} no. ${index + 1}` : gear.name,
      from,
      run: UNKNOWN_CABLE_RUN,
    })),
  );
  const [first, ...others] = radios;
  const more = carried.flatMap(({ gear, item }) =>
    gear.kind === 'amplifier' || gear.kind === 'accessory'
      ? loadPart(gear, item.count, from, powerStation)
      : [],
  );
  const outlet =
    powerStation && more.some((part) => part.from === outletOf(powerStation.id))
      ? [outletPart(powerStation)]
      : [];
  return [
    ...(first
      ? [{ ...first, run: cableRunOf(cables.get('radio')) }, ...others]
      : [gap(NO_RADIO, 'no radio in the bag', from)]),
    ...outlet,
    ...more,
  ];
}

/** Where a power station gives mains: another place than its 12 V socket. */
const outletPart = ({ id }: HarnessPart): HarnessPart => ({
  id: outletOf(id),
  kind: 'outlet',
  name: 'mains outlet',
  from: id,
  run: null,
  connectors: [],
});

function loadPart(
  gear: Accessory | Amplifier,
  count: number,
  from: string,
  powerStation: HarnessPart | null,
): HarnessPart[] {
  if (powerStation && gear.kind === 'accessory' && gear.via === 'mains') {
    const name = counted(gear.name, count);
    // It hangs there by its own mains cable, which is nothing to wire here.
    return [{ ...base(gear.id, 'load', gear), name, from: outletOf(powerStation.id), run: null }];
  }
  const via = gear.kind === 'accessory' && gear.via && gear.via !== 'bus' ? gear.via : null;
  const load: HarnessPart = {
    ...base(gear.id, gear.kind === 'amplifier' ? 'amplifier' : 'load', gear),
    name: counted(gear.name, count),
    from: via ? converterOf(gear.id) : from,
    run: via ? null : UNKNOWN_CABLE_RUN,
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
    run: UNKNOWN_CABLE_RUN,
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
  run: from === null ? null : UNKNOWN_CABLE_RUN,
  connectors: [],
});

function addedPart({ id, kind, name, maxA, from, outV, efficiency }: AddedPart): HarnessPart {
  return {
    id,
    kind,
    name: name ?? ADDED_NAMES[kind],
    from,
    run: UNKNOWN_CABLE_RUN,
    connectors: [],
    ...(maxA !== undefined && { maxA }),
    ...(kind === 'converter' && {
      supply: {
        volts: outV ?? USUAL_SUPPLY.volts,
        efficiency: efficiency ?? USUAL_SUPPLY.efficiency,
        ...(outV === undefined && { isAssumed: true }),
      },
    }),
  };
}

/** What a change-over switch is called unless it has a name of its own. */
export const CHANGEOVER_NAME = 'change-over switch';

/** What an added part is called unless it has a name of its own. */
export const ADDED_NAMES: Record<AddedPart['kind'], string> = {
  splitter: 'splitter',
  distribution: 'fuse box',
  disconnect: 'low-voltage disconnect',
  converter: 'DC-DC converter',
  inverter: 'mains inverter',
};
