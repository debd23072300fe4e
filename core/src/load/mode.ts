/** What a mode does to the transmitter's supply current during an over. */
export interface ModeFamily {
  /** Plain name, for the page. */
  readonly label: string;
  /** Mean transmit current of an over as a share between key-up and key-down current, 0 to 1. */
  readonly factor: number;
  /** Between the elements of an over the radio falls back to receive current (CW with break-in). */
  readonly keyUpAtReceive: boolean;
}

/**
 * Mode families and their factors. Source: design model, section 1; CW from the PARIS standard word:
 * 22 of its 50 units are key-down.
 */
export const MODE_FAMILIES = {
  voice: { label: 'voice', factor: 0.4, keyUpAtReceive: false },
  cw: { label: 'CW', factor: 0.44, keyUpAtReceive: true },
  continuousVoice: { label: 'continuous voice', factor: 1, keyUpAtReceive: false },
  timeSliceVoice: { label: 'time-slice digital voice', factor: 0.5, keyUpAtReceive: false },
  am: { label: 'AM voice', factor: 0.6, keyUpAtReceive: false },
  slotted: { label: 'slotted digital', factor: 1, keyUpAtReceive: false },
  keyboard: { label: 'keyboard digital', factor: 1, keyUpAtReceive: false },
  keyboardPhase: { label: 'phase-shift keyboard digital', factor: 0.8, keyUpAtReceive: false },
  packet: { label: 'packet', factor: 1, keyUpAtReceive: false },
} as const satisfies Record<string, ModeFamily>;

export type ModeFamilyName = keyof typeof MODE_FAMILIES;

/** Modes by their names in the open ADIF log standard (ADIF 3, mode and submode enumerations), and each one's family. */
export const MODES = {
  CW: 'cw',
  SSB: 'voice',
  AM: 'am',
  FM: 'continuousVoice',
  DIGITALVOICE: 'continuousVoice',
  DMR: 'timeSliceVoice',
  FT8: 'slotted',
  FT4: 'slotted',
  WSPR: 'slotted',
  RTTY: 'keyboard',
  PSK31: 'keyboardPhase',
  PKT: 'packet',
} as const satisfies Record<string, ModeFamilyName>;

export type Mode = keyof typeof MODES;

export const MODE_NAMES = Object.keys(MODES) as readonly Mode[];

export const familyOf = (mode: Mode): ModeFamily => MODE_FAMILIES[MODES[mode]];
