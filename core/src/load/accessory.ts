import { overlap, type Span } from '../span.js';
import { mixedDraw, timesDraw, type Draw } from './draw.js';
import type { Mode } from './mode.js';

/** Converters between the 12 V bus and what an accessory wants. Source of the efficiencies: convention of this project, docs/model.md */
export const CONVERTERS = {
  bus: { label: 'at the battery', efficiency: 1, standingW: 0 },
  usb: { label: 'USB', efficiency: 0.88, standingW: 0 },
  laptop: { label: '19 V laptop converter', efficiency: 0.9, standingW: 0 },
  boost: { label: '24 V boost', efficiency: 0.9, standingW: 0 },
  mains: { label: 'mains inverter', efficiency: 0.85, standingW: 6 },
} as const;

export type ConverterName = keyof typeof CONVERTERS;

export const CONVERTER_NAMES = Object.keys(CONVERTERS) as readonly ConverterName[];

/** Power at the battery for watts at the accessory, W; an inverter's standing draw counts while it is on. */
export const powerAtBattery = (converter: ConverterName, watts: number): number =>
  watts / CONVERTERS[converter].efficiency + CONVERTERS[converter].standingW;

/** Current at the battery, A: constant power, so more amps as the volts fall. */
export const accessoryCurrent = (converter: ConverterName, watts: number, busV: number): number =>
  powerAtBattery(converter, watts) / busV;

/** When an accessory is on. */
export type OnRule =
  | { readonly when: 'always' }
  /** While operating; only in some modes where those are named. */
  | { readonly when: 'operating'; readonly modes?: readonly Mode[] }
  /** While operating, with a draw of its own while the transmitter is on: an amplifier. */
  | { readonly when: 'transmitting'; readonly modes?: readonly Mode[] }
  /** While the sun is down past twilight: a share of it as bright as it gets, the rest with another draw, where that is said. */
  | { readonly when: 'dark'; readonly bright?: { readonly share: number; readonly otherwise: Draw } }
  /** So many minutes of every hour. */
  | { readonly when: 'minutes'; readonly anHour: number }
  /** Hours of its own. */
  | { readonly when: 'hours'; readonly spans: readonly Span[] };

/** What the rules are held against. */
export interface OutingHours {
  readonly outing: Span;
  /** Stretches of operating, with the share of the time on transmit. */
  readonly blocks: readonly (Span & { readonly mode: Mode; readonly share: number })[];
  /** Dark stretches of the outing. */
  readonly dark: readonly Span[];
}

/** A stretch in which something is on: what it takes on average, and while the radio's key is down. */
export interface LoadPiece extends Span {
  readonly mean: Draw;
  readonly keyDown: Draw;
  /** What it takes more in overs than between them, where the two differ: the mean goes by it with the share on transmit. */
  readonly inOvers?: Draw;
}

/** Stretches that overlap, as of two operating positions that work at once, as one. */
function joined(spans: readonly Span[]): Span[] {
  const whole: { startMs: number; endMs: number }[] = [];
  for (const { startMs, endMs } of [...spans].sort((a, b) => a.startMs - b.startMs)) {
    const last = whole[whole.length - 1];
    if (last && startMs < last.endMs) last.endMs = Math.max(last.endMs, endMs);
    else whole.push({ startMs, endMs });
  }
  return whole;
}

/**
 * When and what an accessory takes over an outing. Minutes of every hour are spread evenly over the hour: the
 * forecast's mean is the same, and its steps stay few.
 *
 * @param on draw while on; with the rule "transmitting" what it takes between overs
 * @param transmitting draw in overs, for that rule; as while on if absent
 */
export function accessoryPieces(on: Draw, rule: OnRule, hours: OutingHours, transmitting = on): LoadPiece[] {
  const { outing, blocks, dark } = hours;
  const steady = (span: Span): LoadPiece => ({
    startMs: span.startMs,
    endMs: span.endMs,
    mean: on,
    keyDown: on,
  });
  const inModes = (modes: readonly Mode[] | undefined) =>
    blocks.filter(({ mode }) => !modes || modes.includes(mode));
  switch (rule.when) {
    case 'always':
      return [steady(outing)];
    case 'operating':
      return joined(inModes(rule.modes)).map(steady);
    case 'transmitting':
      return inModes(rule.modes).map((block) => ({
        ...steady(block),
        mean: mixedDraw(transmitting, block.share, on),
        keyDown: block.share > 0 ? transmitting : on,
        inOvers: { amps: transmitting.amps - on.amps, watts: transmitting.watts - on.watts },
      }));
    case 'dark':
      return dark.map((span) => ({
        ...steady(span),
        ...(rule.bright && { mean: mixedDraw(on, rule.bright.share, rule.bright.otherwise) }),
      }));
    case 'minutes':
      return [{ ...steady(outing), mean: timesDraw(on, rule.anHour / 60) }];
    case 'hours':
      return rule.spans.flatMap((span) => overlap(span, outing) ?? []).map(steady);
  }
}
