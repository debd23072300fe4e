import { expandBlocks, REPEATS, positionOf, type Block, type Trip } from '@knapsack/contract';
import { ACTIVITIES, overlap, sayPower, sayTime, sayWork, type Mode, type Span } from '@knapsack/core';
import { fractionAt } from '../time-scale';
import { lookOf, type ModeLook } from './mode-look';

/** Heights of the lane with one operating position, and of a track with more, px. */
const ONE_TRACK_PX = 52;
export const TRACK_PX = 36;

/** An operating position's row in the lane. */
export interface Track {
  readonly position: number;
  readonly name: string;
  readonly topPx: number;
}

/** Where a block stands in the lane: percent of its width, px of its height. */
interface Placed extends ModeLook {
  readonly id: string;
  readonly mode: Mode;
  readonly left: number;
  readonly width: number;
  readonly topPx: number;
}

export interface ShownBlock extends Placed {
  readonly power: string;
  readonly activity: string;
  readonly spoken: string;
}

/** A time that a block is done again, by its place in the row: a drag moves all of a block's, and none is made anew. */
export interface ShownRepeat extends Placed {
  readonly key: number;
}

/** The operating positions, a track each: the radios of the bag, and those that blocks are planned for. */
export function tracksOf(blocks: readonly Block[], radios: readonly string[]): readonly Track[] {
  const most = Math.max(1, radios.length, ...blocks.map(positionOf));
  return Array.from({ length: most }, (_, index) => ({
    position: index + 1,
    name: radios[index] ?? 'no radio',
    topPx: index * TRACK_PX,
  }));
}

export const laneHeight = (tracks: number): number => (tracks === 1 ? ONE_TRACK_PX : tracks * TRACK_PX + 2);
export const blockHeight = (tracks: number): number => (tracks === 1 ? ONE_TRACK_PX - 8 : TRACK_PX - 4);
export const trackTop = (position: number, tracks: number): number =>
  tracks === 1 ? 3 : (position - 1) * TRACK_PX + 2;

/** What of the blocks and their repeats is seen in a stretch of time. */
export function shownBlocks(
  trip: Trip,
  visible: Span,
  tracks: readonly Track[],
): { readonly blocks: readonly ShownBlock[]; readonly repeats: readonly ShownRepeat[] } {
  const zone = trip.place.timeZone;
  const percent = (timeMs: number) => 100 * fractionAt(visible, timeMs);
  const blocks: ShownBlock[] = [];
  const repeats: ShownRepeat[] = [];
  for (const { block, first, ...span } of expandBlocks(trip)) {
    const seen = overlap(span, visible);
    if (!seen) continue;
    const { id, mode, powerW, activity } = block;
    const left = percent(seen.startMs);
    const placed: Placed = {
      id,
      mode,
      ...lookOf(mode),
      left,
      width: percent(seen.endMs) - left,
      topPx: trackTop(positionOf(block), tracks.length),
    };
    if (!first) repeats.push({ ...placed, key: repeats.length });
    else {
      const whose = tracks.length > 1 ? `, ${tracks[positionOf(block) - 1].name}` : '';
      blocks.push({
        ...placed,
        power: sayPower(powerW),
        activity: ACTIVITIES[activity].short,
        spoken: `${spoken(block, span, zone)}${whose}`,
      });
    }
  }
  return { blocks, repeats };
}

function spoken(block: Block, span: Span, zone: string): string {
  const share = Math.round(block.share * 100);
  const again = block.repeat ? `, ${REPEATS[block.repeat]}` : '';
  return `${sayWork(block)}, ${ACTIVITIES[block.activity].label}, transmit duty cycle ${share} %, ${sayTime(span.startMs, zone)} to ${sayTime(span.endMs, zone)}${again}`;
}
