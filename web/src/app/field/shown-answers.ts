/** What of a question a hand has changed: the plan, the gear, the moment, what was entered. */
export type ByHand = readonly unknown[];

/**
 * Which answers are shown. A first, partial one is for a hand that waits; where only time went on, or an instrument sent, the full one is
 * soon enough, and nothing flickers.
 */
export class ShownAnswers {
  private shown: ByHand | null = null;

  /** @param byHand what a hand had changed when it was asked */
  takes(byHand: ByHand, isPart: boolean): boolean {
    const { shown } = this;
    const isSame = shown !== null && byHand.every((one, place) => one === shown[place]);
    if (isPart) return !isSame;
    this.shown = byHand;
    return true;
  }
}
