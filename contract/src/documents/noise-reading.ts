/** The noise floor of a band with it off and on. */
export interface NoiseReading {
  /** For example "20 m". */
  readonly band: string;
  readonly unit: 'S' | 'dB';
  readonly off: number;
  readonly on: number;
  /** Day on which one listened. */
  readonly date?: string;
  /** Id of the radio that one listened with; not known if absent. */
  readonly radio?: string;
}
