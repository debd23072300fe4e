import { sayMode, type Mode } from '../load/mode.js';

/** A transmit power, W, as it was typed: "10 W", "2.5 W", "0.25 W"; two digits after the point at the most. */
export const sayPower = (powerW: number): string => `${Number(powerW.toFixed(2))} W`;

/** What is worked: "CW 10 W". One function, since the lane, the table, the card and the calendar all tell it. */
export const sayWork = ({ mode, powerW }: { readonly mode: Mode; readonly powerW: number }): string =>
  `${sayMode(mode)} ${sayPower(powerW)}`;
