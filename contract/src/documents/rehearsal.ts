/** What came of a step of the home test. */
export interface StepResult {
  /** The step's id. */
  readonly step: string;
  readonly outcome: 'ok' | 'bad';
  /** What was read, in the step's unit. */
  readonly value?: number;
  readonly note?: string;
  /** When, ISO 8601. */
  readonly at: string;
}

/** How one thing is charged before leaving. */
export interface ChargeChoice {
  /** Id of the gear. */
  readonly gear: string;
  /** How full it is now, 0 to 1. */
  readonly soc?: number;
  /** Id of a charger, "sun", "own" for what has a charger of its own, or "none" for what is full already. */
  readonly from?: string;
}

/** How the home test and the charging before an outing are planned; what the test gave stands beside the trip. */
export interface Rehearsal {
  /** When one leaves home, ISO 8601; at the start of the outing if absent. */
  readonly departure?: string;
  readonly charging?: readonly ChargeChoice[];
  /** How long the load test lasts, minutes. */
  readonly loadMinutes?: number;
  /** Temperature of the room where the kit is tried, C; 20 if absent. */
  readonly roomC?: number;
}
