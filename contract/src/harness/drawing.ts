import {
  type Check,
  fixed,
  FUSE_KINDS,
  type HarnessPart,
  PART_KINDS,
  sayQuantity,
  sayRated,
  sayWireSize,
  type Severity,
  usualKind,
} from '@knapsack/core';
import type { HarnessReport, ReportedCableRun } from './harness-report.js';
import { layOut, type Box, type Direction, type Point, type CableRunWay } from './layout.js';

/** What a drawing is made of; the class says how it looks. */
export type Shape =
  | { readonly is: 'path'; readonly look: Look; readonly d: string }
  | {
      readonly is: 'text';
      readonly look: Look;
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle';
    };

export type Look =
  | 'part'
  | 'battery'
  | 'gap'
  | 'kind'
  | 'name'
  | 'run'
  | 'run-gap'
  | 'arrow'
  | 'words'
  | 'figures'
  | 'fuse'
  | 'fuse-words'
  | 'stop'
  | 'look';

/** Everything that is drawn of one run or one part. */
export interface DrawingGroup {
  readonly part: string;
  readonly on: 'run' | 'part';
  /** What it says to who cannot see it. */
  readonly words: string;
  readonly worst: Severity | null;
  readonly shapes: readonly Shape[];
  /** Where it can be pressed. */
  readonly box: Box;
}

export interface HarnessDrawing {
  readonly width: number;
  readonly height: number;
  readonly groups: readonly DrawingGroup[];
}

/** Draws a harness with what flows in it and where a rule is broken. */
export function harnessDrawing(report: HarnessReport, direction: Direction): HarnessDrawing {
  const { parts } = report;
  const runs = new Map(report.runs.map((run) => [run.part, run]));
  const small = new Map(parts.map((part) => [part.id, kindWords(part, runs.get(part.id))]));
  const laid = layOut(parts, direction, small);
  const runGroups = parts.flatMap((part): DrawingGroup[] => {
    const way = laid.runs.get(part.id);
    if (!way) return [];
    const worst = worstOf(report.checks, part.id, 'run');
    return [runGroup(part, runs.get(part.id) ?? null, way, direction, worst)];
  });
  const partGroups = parts.map((part) =>
    partGroup(part, laid.parts.get(part.id)!, small.get(part.id)!, worstOf(report.checks, part.id, 'part')),
  );
  return { width: laid.width, height: laid.height, groups: [...runGroups, ...partGroups] };
}

/** The gravest that is worth a mark on the drawing. */
function worstOf(checks: readonly Check[], part: string, on: Check['on']): Severity | null {
  const here = checks.filter((check) => check.part === part && check.on === on);
  return here.find(({ severity }) => severity !== 'note')?.severity ?? null;
}

/** What a part is, and the volts that reach it with the battery at its reserve, listening and with the key down. */
function kindWords({ kind }: HarnessPart, run: ReportedCableRun | undefined): string {
  const words = kind === 'missing' ? 'a gap' : PART_KINDS[kind];
  if (!run || kind === 'battery' || kind === 'station' || run.keyDownA <= 0) return words;
  if (run.keyDownV === null || run.receiveV === null) return words;
  const [low, high] = [run.keyDownV, run.receiveV].map((volts) => fixed(volts, 2));
  return low === high ? `${words} ${low} V` : `${words} ${high} … ${low} V`;
}

function partGroup(part: HarnessPart, box: Box, kind: string, worst: Severity | null): DrawingGroup {
  const { x, y, width, height } = box;
  const look: Look =
    part.kind === 'missing' ? 'gap' : part.kind === 'battery' || part.kind === 'station' ? 'battery' : 'part';
  return {
    part: part.id,
    on: 'part',
    words: `${part.name}, ${kind}${worst ? `, ${WORST[worst]}` : ''}`,
    worst,
    box,
    shapes: [
      { is: 'path', look, d: rectangle(x - width / 2, y - height / 2, width, height) },
      // The thick edge of a battery is its plus.
      ...(look === 'battery'
        ? [
            {
              is: 'path',
              look: 'battery',
              d: rectangle(x + width / 2, y - 8, 5, 16),
            } as const,
          ]
        : []),
      { is: 'text', look: 'kind', x: x - width / 2 + 10, y: y - 6, text: kind, anchor: 'start' },
      { is: 'text', look: 'name', x: x - width / 2 + 10, y: y + 13, text: part.name, anchor: 'start' },
      ...(worst ? [mark(worst, x + width / 2 - 13, y - height / 2 + 12)] : []),
    ],
  };
}

const WORST: Record<Severity, string> = { stop: 'stop', look: 'look here', note: 'a note' };

function runGroup(
  part: HarnessPart,
  run: ReportedCableRun | null,
  way: CableRunWay,
  direction: Direction,
  worst: Severity | null,
): DrawingGroup {
  const { words, end } = way;
  const isAcross = direction === 'across';
  const lines = part.run && run ? runLines(part, run) : [];
  const known = part.run === null || part.run.wire || part.run.cable;
  const fuseA = part.run?.fuseA;
  // A fuse stands at the battery: at the end of a charging run, at the beginning of the battery's own.
  const fuseAtEnd = way.flowsIn && part.kind !== 'battery' && part.kind !== 'station';
  const at = words && (isAcross ? placesAcross(words, fuseAtEnd) : placesDown(words, fuseAtEnd));
  return {
    part: part.id,
    on: 'run',
    words: run
      ? `${run.label}: ${[...(fuseA ? [fuseWords(fuseA, part.run?.fuseKind)] : []), ...lines.map(({ text }) => text)].join(', ')}${worst ? `, ${WORST[worst]}` : ''}`
      : '',
    worst,
    box: words ?? { ...end, width: 0, height: 0 },
    shapes: [
      { is: 'path', look: known ? 'run' : 'run-gap', d: runPath(way, isAcross) },
      { is: 'path', look: 'arrow', d: arrow(end, isAcross) },
      ...(at
        ? lines.map(({ text, look }, index): Shape => ({ is: 'text', look, text, ...at.line(index) }))
        : []),
      ...(at && fuseA ? fuse(at.fuse, isAcross, fuseA) : []),
      ...(at && worst ? [mark(worst, at.mark.x, at.mark.y)] : []),
    ],
  };
}

/** Where the words, the fuse and the sign of a run stand. */
interface Places {
  readonly line: (index: number) => Point & { readonly anchor: 'start' | 'middle' };
  readonly fuse: Point;
  readonly mark: Point;
}

/** Room for the sign of a fuse at the battery's end of a run, px. */
const FUSE_ROOM = 30;
/** Room for the sign of a broken rule at its other end, px. */
const MARK_ROOM = 18;

/** What it is made of stands above the run, its figures below. */
function placesAcross({ x, y, width }: Box, battery: boolean): Places {
  const towards = battery ? 1 : -1;
  const middle = x - (towards * (FUSE_ROOM - MARK_ROOM)) / 2;
  return {
    line: (index) => ({ x: middle, y: index === 0 ? y - 7 : y + 1 + 15 * index, anchor: 'middle' }),
    fuse: { x: x + towards * (width / 2 - 13), y },
    mark: { x: x - towards * (width / 2 - 9), y },
  };
}

/** Everything stands to the right of the run. */
function placesDown({ x, y, width, height }: Box, battery: boolean): Places {
  const left = x - width / 2;
  const top = y - height / 2;
  const first = battery ? top + 14 : top + 30;
  return {
    line: (index) => ({ x: left + 16, y: first + 15 * index, anchor: 'start' }),
    fuse: { x: left + 6, y: battery ? top + height - 12 : top + 10 },
    mark: { x: left + width - 10, y: top + 10 },
  };
}

/** The words on a run: what it is made of, then its currents and the volts lost, at rest and at the most. */
function runLines(
  part: HarnessPart,
  run: ReportedCableRun,
): { readonly text: string; readonly look: Look }[] {
  const { wire, cable } = part.run!;
  const made = wire
    ? `${sayQuantity({ value: wire.lengthM, unit: 'm' })} · ${sayWireSize(wire.size)}`
    : (cable ?? 'not entered');
  // The larger of what comes and what is drawn, where a run carries both.
  const isCharging = run.mostChargeA > run.keyDownA;
  const low = isCharging ? run.chargeA : run.receiveA;
  const high = isCharging ? run.mostChargeA : run.keyDownA;
  const say = (amps: number) =>
    `${sayQuantity({ value: amps, unit: 'A' })}${run.ohm === null ? '' : `  −${fixed(amps * run.ohm, 2)} V`}`;
  return [
    { text: made, look: 'words' },
    ...(high > low + 0.005 ? [{ text: say(low), look: 'figures' as const }] : []),
    { text: say(high), look: 'figures' },
  ];
}

/** "30 A terminal fuse". */
const fuseWords = (fuseA: number, kind = usualKind(fuseA)): string =>
  `${sayRated(fuseA)} ${FUSE_KINDS[kind].label}`;

const fuse = ({ x, y }: Point, isAcross: boolean, ratedA: number): Shape[] => [
  {
    is: 'path',
    look: 'fuse',
    d: isAcross ? rectangle(x - 10, y - 5, 20, 10) : rectangle(x - 5, y - 9, 10, 18),
  },
  isAcross
    ? { is: 'text', look: 'fuse-words', x, y: y - 9, text: sayRated(ratedA), anchor: 'middle' }
    : { is: 'text', look: 'fuse-words', x: x + 10, y: y + 4, text: sayRated(ratedA), anchor: 'start' },
];

/** The signs of the trail: an octagon for stop, a triangle for look. */
const mark = (severity: Severity, x: number, y: number): Shape =>
  severity === 'stop'
    ? { is: 'path', look: 'stop', d: polygon(x, y, 7, 8, Math.PI / 8) }
    : { is: 'path', look: 'look', d: polygon(x, y + 1, 8, 3, -Math.PI / 2) };

function polygon(x: number, y: number, radius: number, corners: number, turn: number): string {
  const at = (corner: number) => {
    const angle = turn + (corner * 2 * Math.PI) / corners;
    return `${(x + radius * Math.cos(angle)).toFixed(1)} ${(y + radius * Math.sin(angle)).toFixed(1)}`;
  };
  return `M${Array.from({ length: corners }, (_, corner) => at(corner)).join('L')}Z`;
}

const rectangle = (x: number, y: number, width: number, height: number): string =>
  `M${x.toFixed(1)} ${y.toFixed(1)}h${width.toFixed(1)}v${height.toFixed(1)}h${(-width).toFixed(1)}Z`;

const word = ({ x, y }: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** A run leaves one part squarely, passes straight through its words and meets the other part squarely. */
function runPath({ start, end, words }: CableRunWay, isAcross: boolean): string {
  const bend = (a: Point, b: Point): string => {
    const middle = isAcross ? (a.x + b.x) / 2 : (a.y + b.y) / 2;
    const [near, far] = isAcross
      ? [
          { x: middle, y: a.y },
          { x: middle, y: b.y },
        ]
      : [
          { x: a.x, y: middle },
          { x: b.x, y: middle },
        ];
    return `C${word(near)} ${word(far)} ${word(b)}`;
  };
  if (!words) return `M${word(start)}${bend(start, end)}`;
  const [enter, leave] = isAcross
    ? [
        { x: words.x - words.width / 2, y: words.y },
        { x: words.x + words.width / 2, y: words.y },
      ]
    : [
        { x: words.x - words.width / 2 + 6, y: words.y - words.height / 2 },
        { x: words.x - words.width / 2 + 6, y: words.y + words.height / 2 },
      ];
  return `M${word(start)}${bend(start, enter)}L${word(leave)}${bend(leave, end)}`;
}

/** The head of an arrow where the current arrives. */
const arrow = ({ x, y }: Point, isAcross: boolean): string =>
  isAcross
    ? `M${word({ x: x - 7, y: y - 3.5 })}L${word({ x, y })}L${word({ x: x - 7, y: y + 3.5 })}`
    : `M${word({ x: x - 3.5, y: y - 7 })}L${word({ x, y })}L${word({ x: x + 3.5, y: y - 7 })}`;
