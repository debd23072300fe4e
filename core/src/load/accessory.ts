/** Converters between the 12 V bus and what an accessory wants. Source of the efficiencies: design model, section 1. */
export const CONVERTERS = {
  usb: { label: 'USB', efficiency: 0.88, standingW: 0 },
  laptop: { label: '19 V laptop converter', efficiency: 0.9, standingW: 0 },
  boost: { label: '24 V boost', efficiency: 0.9, standingW: 0 },
  mains: { label: 'mains inverter', efficiency: 0.85, standingW: 6 },
} as const;

export type ConverterName = keyof typeof CONVERTERS;

/** Power at the battery for watts at the accessory, W; an inverter's standing draw counts while it is on. */
export const powerAtBattery = (converter: ConverterName, watts: number): number =>
  watts / CONVERTERS[converter].efficiency + CONVERTERS[converter].standingW;

/** Current at the battery, A: constant power, so more amps as the volts fall. */
export const accessoryCurrent = (converter: ConverterName, watts: number, busV: number): number =>
  powerAtBattery(converter, watts) / busV;
