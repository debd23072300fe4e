/** What the operator is doing, and the share of time on transmit that goes with it. */
export interface Activity {
  readonly label: string;
  /** One word or two, where there is little room. */
  readonly short: string;
  /** Usual share of the time with the transmitter on, 0 to 1; always a starting point, never a rule. */
  readonly share: number;
}

/**
 * Usual transmit shares. Source: convention of this project, docs/model.md. Slotted digital already holds the slot
 * timing (half of the slots x 12.64 s of 15 s = 0.42), so it is never applied twice.
 */
export const ACTIVITIES = {
  calling: { label: 'calling and running stations', short: 'calling', share: 0.5 },
  answering: { label: 'answering calls', short: 'answering', share: 0.2 },
  netControl: { label: 'net control', short: 'net control', share: 0.5 },
  roundTable: { label: 'round-table talk', short: 'round table', share: 0.1 },
  contest: { label: 'contest run', short: 'contest', share: 0.4 },
  listening: { label: 'listening watch', short: 'listening', share: 0.02 },
  relay: { label: 'relay or gateway', short: 'relay', share: 0.25 },
  positions: { label: 'packet position reports', short: 'positions', share: 0.01 },
  slots: { label: 'every other slot', short: 'slots', share: 0.42 },
} as const satisfies Record<string, Activity>;

export type ActivityName = keyof typeof ACTIVITIES;

export const ACTIVITY_NAMES = Object.keys(ACTIVITIES) as readonly ActivityName[];

/** Whether nobody is there while this is done, and it goes on by day and night. */
export const isUnattended = (activity: ActivityName): boolean => activity === 'relay';
