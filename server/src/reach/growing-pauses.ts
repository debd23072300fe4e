const FREE_ATTEMPTS = 3;
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 5 * 60_000;

/** Pauses after wrong passphrases, each twice the last: for everyone together, as behind a proxy nobody can be told from anybody. */
export class GrowingPauses {
  private failures = 0;
  private untilMs = 0;

  constructor(private readonly now: () => number = Date.now) {}

  /** How long no attempt is taken, ms. */
  waitMs(): number {
    return Math.max(0, this.untilMs - this.now());
  }

  failed(): void {
    this.failures += 1;
    const doublings = this.failures - FREE_ATTEMPTS;
    if (doublings >= 0)
      this.untilMs = this.now() + Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** Math.min(doublings, 30));
  }

  succeeded(): void {
    this.failures = 0;
    this.untilMs = 0;
  }
}
