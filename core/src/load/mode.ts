/** What a mode does to the transmitter's supply current during an over. */
export interface ModeFamily {
  /** Plain name, for the page. */
  readonly label: string;
  /** Mean transmit current of an over as a share between key-up and key-down current, 0 to 1. */
  readonly factor: number;
  /** The same with heavy speech processing, for voice that can have it. */
  readonly processedFactor?: number;
  /** Between the elements of an over the radio falls back to receive current (CW with break-in). */
  readonly keyUpAtReceive: boolean;
  /** Listened to by ear, so that the receiver stands at listening volume. */
  readonly byEar: boolean;
  /** What the time on transmit comes in, and how long one usually is, s; for the reverse of a share. */
  readonly piece: {
    readonly name: 'call' | 'packet' | 'exchange' | 'picture' | 'slot';
    readonly seconds: number;
  };
}

/**
 * Mode families and their factors. Source: convention of this project, docs/model.md.; CW from the PARIS standard word:
 * 22 of its 50 units are key-down. The usual lengths of calls and packets are ours, always editable.
 */
export const MODE_FAMILIES = {
  voice: {
    label: 'voice',
    factor: 0.4,
    processedFactor: 0.6,
    keyUpAtReceive: false,
    byEar: true,
    piece: { name: 'call', seconds: 6 },
  },
  cw: {
    label: 'CW',
    factor: 0.44,
    keyUpAtReceive: true,
    byEar: true,
    piece: { name: 'call', seconds: 10 },
  },
  continuousVoice: {
    label: 'continuous voice',
    factor: 1,
    keyUpAtReceive: false,
    byEar: true,
    piece: { name: 'call', seconds: 6 },
  },
  timeSliceVoice: {
    label: 'time-slice digital voice',
    factor: 0.5,
    keyUpAtReceive: false,
    byEar: true,
    piece: { name: 'call', seconds: 6 },
  },
  am: {
    label: 'AM voice',
    factor: 0.6,
    keyUpAtReceive: false,
    byEar: true,
    piece: { name: 'call', seconds: 6 },
  },
  slotted: {
    label: 'slotted digital',
    factor: 1,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'slot', seconds: 12.64 },
  },
  keyboard: {
    label: 'keyboard digital',
    factor: 1,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'call', seconds: 20 },
  },
  keyboardPhase: {
    label: 'phase-shift keyboard digital',
    factor: 0.8,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'call', seconds: 20 },
  },
  picture: {
    label: 'slow-scan pictures',
    factor: 1,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'picture', seconds: 110 },
  },
  dataLink: {
    label: 'data link with acknowledgements',
    factor: 1,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'exchange', seconds: 4 },
  },
  packet: {
    label: 'packet and beacons',
    factor: 1,
    keyUpAtReceive: false,
    byEar: false,
    piece: { name: 'packet', seconds: 0.8 },
  },
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
  JS8: 'slotted',
  JT65: 'slotted',
  Q65: 'slotted',
  MSK144: 'slotted',
  WSPR: 'slotted',
  RTTY: 'keyboard',
  MFSK: 'keyboard',
  OLIVIA: 'keyboard',
  CONTESTI: 'keyboard',
  THOR: 'keyboard',
  PSK31: 'keyboardPhase',
  PSK63: 'keyboardPhase',
  SSTV: 'picture',
  DYNAMIC: 'dataLink',
  PKT: 'packet',
} as const satisfies Record<string, ModeFamilyName>;

export type Mode = keyof typeof MODES;

/** What operators say for a mode whose name in the log standard is not a word. */
const SPOKEN: Partial<Record<Mode, string>> = {
  DIGITALVOICE: 'Digital voice',
  OLIVIA: 'Olivia',
  CONTESTI: 'Contestia',
  DYNAMIC: 'Data link',
  PKT: 'Packet',
};

/** A mode as operators say it: "CW", "Digital voice". */
export const sayMode = (mode: Mode): string => SPOKEN[mode] ?? mode;

export const MODE_NAMES = Object.keys(MODES) as readonly Mode[];

export const familyOf = (mode: Mode): ModeFamily => MODE_FAMILIES[MODES[mode]];

/** Mean transmit current of an over in a mode, as a share between key-up and key-down current. */
export function usualFactor(mode: Mode, processed = false): number {
  const { factor, processedFactor } = familyOf(mode);
  return processed ? (processedFactor ?? factor) : factor;
}

/** When a slotted mode is on the air: seconds of each slot, and the slot's length. */
export interface SlotTiming {
  readonly onAirS: number;
  readonly slotS: number;
}

/** Source: convention of this project, docs/model.md. */
const SLOTS: Partial<Record<Mode, SlotTiming>> = {
  FT8: { onAirS: 12.64, slotS: 15 },
  FT4: { onAirS: 5.04, slotS: 7.5 },
  JS8: { onAirS: 12.64, slotS: 15 },
  JT65: { onAirS: 46.8, slotS: 60 },
  Q65: { onAirS: 25.5, slotS: 30 },
  MSK144: { onAirS: 15, slotS: 15 },
  WSPR: { onAirS: 110.6, slotS: 120 },
};

/** The timing of a slotted mode; null for the others. */
export const slotTiming = (mode: Mode): SlotTiming | null => SLOTS[mode] ?? null;
