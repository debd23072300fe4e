import type { Span } from '@knapsack/core';
import type { AimChoice } from './sun.js';
import type { Block, LoadoutItem, Trip } from './trip.js';

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

/** Gives the outing other hours; blocks are cut to them, and those outside are taken out. */
export function setOuting(trip: Trip, { startMs, endMs }: Span): Trip {
  const cut = (blocks: readonly Block[]) =>
    blocks.flatMap((block) => {
      const span = { startMs: Date.parse(block.start), endMs: Date.parse(block.end) };
      const from = Math.max(span.startMs, startMs);
      const to = Math.min(span.endMs, endMs);
      if (from >= to) return [];
      return from === span.startMs && to === span.endMs
        ? [block]
        : [{ ...block, start: iso(from), end: iso(to) }];
    });
  const asideCut = ({ setAside }: Pick<Trip, 'setAside'>) =>
    setAside && { setAside: setAside.map((aside) => ({ ...aside, blocks: cut(aside.blocks) })) };
  return {
    ...trip,
    start: iso(startMs),
    end: iso(endMs),
    blocks: cut(trip.blocks),
    ...asideCut(trip),
    ...(trip.variants && {
      variants: trip.variants.map((variant) => ({
        ...variant,
        blocks: cut(variant.blocks),
        ...asideCut(variant),
      })),
    }),
  };
}

/**
 * Moves the whole outing so that it starts at an instant, with its blocks, its hours of shade, the hours of its
 * accessories and chargers, the turns of its panel and a sky that was painted by hand. A forecast stays with its dates.
 */
export function moveOuting(trip: Trip, toMs: number): Trip {
  const byMs = toMs - Date.parse(trip.start);
  return atOtherTimes(trip, (time) => iso(Date.parse(time) + byMs));
}

/** The trip with every time of its own at another; a forecast's and the simulated weather's stay. @param moved where a time goes, ISO 8601 */
export function atOtherTimes(trip: Trip, moved: (time: string) => string): Trip {
  const movedSpan = <Of extends { start: string; end: string }>(span: Of): Of => ({
    ...span,
    start: moved(span.start),
    end: moved(span.end),
  });
  const { weather, panelPlace, variants } = trip;
  const movedItem = (item: LoadoutItem): LoadoutItem => {
    const { rule, ownCells, charging } = item;
    return {
      ...item,
      ...(rule?.when === 'hours' && { rule: { ...rule, hours: rule.hours.map(movedSpan) } }),
      ...(ownCells?.hours && { ownCells: { ...ownCells, hours: ownCells.hours.map(movedSpan) } }),
      ...(charging && { charging: { ...charging, hours: charging.hours.map(movedSpan) } }),
    };
  };
  const movedAside = ({ setAside }: Pick<Trip, 'setAside'>) =>
    setAside && {
      setAside: setAside.map((aside) => ({
        ...aside,
        lines: aside.lines.map(({ at, item }) => ({ at, item: movedItem(item) })),
        blocks: aside.blocks.map(movedSpan),
      })),
    };
  const movedAim = (aim: AimChoice): AimChoice =>
    aim.how === 'at' ? { how: 'at', times: aim.times.map(moved) } : aim;
  const byHand = weather?.hours && (weather.source ?? 'typed') === 'typed';
  return {
    ...trip,
    start: moved(trip.start),
    end: moved(trip.end),
    blocks: trip.blocks.map(movedSpan),
    loadout: trip.loadout.map(movedItem),
    ...movedAside(trip),
    ...(variants && {
      variants: variants.map((variant) => ({
        ...variant,
        blocks: variant.blocks.map(movedSpan),
        loadout: variant.loadout.map(movedItem),
        ...movedAside(variant),
        ...(variant.aim && { aim: movedAim(variant.aim) }),
      })),
    }),
    ...(byHand && {
      weather: { ...weather, hours: weather.hours.map((hour) => ({ ...hour, start: moved(hour.start) })) },
    }),
    ...(panelPlace && {
      panelPlace: {
        ...panelPlace,
        ...(panelPlace.shade && { shade: panelPlace.shade.map(movedSpan) }),
        aim: movedAim(panelPlace.aim),
      },
    }),
  };
}
