import { USUAL_PLACE } from './sun.js';
import type { Trip, Variant, VariantPart } from './trip.js';

/** What the variant in hand is called where nobody has named it. */
export const UNNAMED_VARIANT = 'as it stands';

/** The part of a trip that belongs to the variant in hand. */
export function partOf(trip: Trip): VariantPart {
  const { blocks, loadout, setAside, startSoc, floorSoc, batteryUse, chargeIdle, radioOn, panelPlace } = trip;
  return {
    blocks,
    loadout,
    ...(setAside && { setAside }),
    startSoc,
    ...(floorSoc !== undefined && { floorSoc }),
    ...(batteryUse && { batteryUse }),
    ...(chargeIdle !== undefined && { chargeIdle }),
    ...(radioOn && { radioOn }),
    ...(panelPlace && { aim: panelPlace.aim, mount: panelPlace.mount }),
  };
}

/** The trip as it would be with a variant in hand, the others left out: what is forecast, weighed and compared. */
export function asTrip(trip: Trip, variant: VariantPart): Trip {
  const {
    floorSoc: _floor,
    batteryUse: _use,
    chargeIdle: _idle,
    radioOn: _on,
    variants: _others,
    variantName: _name,
    setAside: _aside,
    ...shared
  } = trip;
  const { blocks, loadout, setAside, startSoc, floorSoc, batteryUse, chargeIdle, radioOn, aim, mount } =
    variant;
  const lies = trip.panelPlace ?? (aim && USUAL_PLACE);
  return {
    ...shared,
    blocks,
    loadout,
    ...(setAside && { setAside }),
    startSoc,
    ...(floorSoc !== undefined && { floorSoc }),
    ...(batteryUse && { batteryUse }),
    ...(chargeIdle !== undefined && { chargeIdle }),
    ...(radioOn && { radioOn }),
    ...(lies && { panelPlace: { ...lies, ...(aim && { aim }), ...(mount && { mount }) } }),
  };
}

/** Keeps the plan as it stands beside the one in hand, under a name. */
export const keepVariant = (trip: Trip, id: string, name: string): Trip => ({
  ...trip,
  variants: [...(trip.variants ?? []), { id, name, ...partOf(trip) }],
});

/** Takes a kept variant in hand; the one that was in hand is kept in its place. */
export function takeInHand(trip: Trip, id: string): Trip {
  const { variants = [], variantName = UNNAMED_VARIANT } = trip;
  const chosen = variants.find((variant) => variant.id === id);
  if (!chosen) return trip;
  const kept: Variant = { id, name: variantName, ...partOf(trip) };
  return {
    ...asTrip(trip, chosen),
    variantName: chosen.name,
    variants: variants.map((variant) => (variant.id === id ? kept : variant)),
  };
}

export function dropVariant(trip: Trip, id: string): Trip {
  const { variants = [], variantName, ...rest } = trip;
  const kept = variants.filter((variant) => variant.id !== id);
  if (kept.length === variants.length) return trip;
  return kept.length > 0
    ? { ...rest, ...(variantName && { variantName }), variants: kept }
    : { ...rest, ...(variantName && { variantName }) };
}

/** Renames a kept variant, or the one in hand (null). */
export const nameVariant = (trip: Trip, id: string | null, name: string): Trip =>
  id === null
    ? { ...trip, variantName: name }
    : {
        ...trip,
        variants: (trip.variants ?? []).map((variant) =>
          variant.id === id ? { ...variant, name } : variant,
        ),
      };
