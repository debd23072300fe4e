import { MODES, type Mode, type ModeFamilyName } from '@knapsack/core';

/** How a mode family is told apart without reading: a tint class and a glyph, never the tint alone. */
export interface ModeLook {
  readonly tint: 'key' | 'voice' | 'digital';
  readonly icon: string;
}

const KEY: ModeLook = { tint: 'key', icon: 'bi-dash-lg' };
const VOICE: ModeLook = { tint: 'voice', icon: 'bi-soundwave' };
const DIGITAL: ModeLook = { tint: 'digital', icon: 'bi-grid-3x2-gap' };

const LOOKS: Record<ModeFamilyName, ModeLook> = {
  cw: KEY,
  voice: VOICE,
  continuousVoice: VOICE,
  timeSliceVoice: VOICE,
  am: VOICE,
  slotted: DIGITAL,
  keyboard: DIGITAL,
  keyboardPhase: DIGITAL,
  picture: DIGITAL,
  dataLink: DIGITAL,
  packet: DIGITAL,
};

export const lookOf = (mode: Mode): ModeLook => LOOKS[MODES[mode]];
