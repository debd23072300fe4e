import { RECONNECT_HOURS } from '../battery/restart.js';

/** Loads that are taken off when the battery is low, and may come back: the same for the march and for the tight loop. */
export class Reconnect {
  isOn = true;
  /** How long the terminals have stood at the volts to come back at, h. */
  private standingHours = 0;

  /** @param volts at the terminals, while charging, at which the loads come back; infinite where they never do */
  constructor(private readonly volts: number) {}

  takenOff(): void {
    this.isOn = false;
    this.standingHours = 0;
  }

  /**
   * After a step with the loads off; returns whether they come back with its end.
   *
   * @param terminalV while charging; null where nothing charges
   */
  stoodAt(terminalV: number | null, hours: number): boolean {
    this.standingHours = terminalV !== null && terminalV >= this.volts ? this.standingHours + hours : 0;
    if (this.standingHours < RECONNECT_HOURS) return false;
    this.isOn = true;
    this.standingHours = 0;
    return true;
  }
}
