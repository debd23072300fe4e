import { shelf, trip } from '@knapsack/contract/testing/outing';
import { forecastQuestion, type ForecastOutcome, type ForecastQuestion } from './forecast-protocol';
import { forecastWork } from './forecast-work';

const DAY_MS = 86_400_000;

const viewOf = (question: ForecastQuestion) => {
  let said: ForecastOutcome | null = null;
  void forecastWork(question, {
    say: (outcome) => (said = outcome),
    isNewest: () => Promise.resolve(true),
  });
  const outcome = said as ForecastOutcome | null;
  if (!outcome?.ok) throw new Error('no forecast');
  return outcome.view;
};
const over = (days: number, coarse: boolean) => {
  const { start, blocks } = trip();
  const end = new Date(Date.parse(start) + days * DAY_MS).toISOString();
  const daily = blocks.map((block) => ({ ...block, share: 0.1, repeat: 'day' as const }));
  return viewOf(forecastQuestion({ trip: trip({ end, blocks: daily }), shelf, coarse }));
};

describe('the forecast while a hand moves', () => {
  it('is the same of a short outing', () => {
    expect(over(2, true).edgesMs).toEqual(over(2, false).edgesMs);
  });

  it('ends within a minute of that at rest for a long one, in far fewer steps', () => {
    const [rough, exact] = [over(20, true), over(20, false)];
    expect(exact.verdict.endMs).not.toBeNull();
    expect(Math.abs(rough.verdict.endMs! - exact.verdict.endMs!)).toBeLessThan(60_000);
    expect(rough.edgesMs.length).toBeLessThan(exact.edgesMs.length / 4);
  });
});
