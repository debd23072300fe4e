import { FIELDS } from '../fields/fields.js';
import { plannedCable } from '../resolve/resolve-wiring.js';
import type { Figure } from '../documents/figure.js';
import type { Gear } from '../documents/gear.js';
import { sayNumber } from '../fields/number-field.js';
import { fieldsOf, figureOf, type GearField } from './gear-fields.js';
import { sourceWord } from './telling.js';

/** A figure as the page shows it: in the unit that people read, "140 mΩ", "0.14 A". */
export function sayFigure({ field }: Pick<GearField, 'field'>, { value }: Pick<Figure, 'value'>): string {
  return sayNumber(FIELDS[field], value, 4);
}

/** How many figures a card tells. */
const TOLD = 3;
/** Copper on the shelf, °C. */
const ROOM_C = 20;

/** A figure as a card tells it. */
export interface ToldFigure {
  readonly label: string;
  readonly words: string;
  readonly source: string;
  readonly pinned: boolean;
}

/** The resistance of a cable that is known by its wire, which no figure of its own tells. */
function toldWire(gear: Gear): ToldFigure[] {
  if (gear.kind !== 'lead' || !gear.wire) return [];
  const value = Number(plannedCable(gear, ROOM_C).ohm.toPrecision(2));
  const words = sayFigure({ field: 'loopOhm' }, { value });
  return [{ label: 'there and back', words, source: 'worked out', pinned: false }];
}

/** An item's two or three telling figures, each with where it comes from. */
export const toldFigures = (gear: Gear): readonly ToldFigure[] =>
  [
    ...toldWire(gear),
    ...fieldsOf(gear)
      .filter(({ key, plain }) => !plain && key !== 'weightG')
      .flatMap((field) => {
        const figure = figureOf(gear, field.key);
        if (!figure) return [];
        const words = sayFigure(field, figure);
        return [{ label: field.label, words, source: sourceWord(figure), pinned: figure.pinned === true }];
      }),
  ].slice(0, TOLD);
