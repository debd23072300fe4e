/**
 * How the person who reads and types writes quantities. Documents, files and calculations stay in SI whatever is chosen here;
 * only what is said and what is typed changes.
 */
export interface Habits {
  /** US customary: ounces and pounds, Fahrenheit, feet and inches, miles an hour, AWG before mm². */
  readonly units: 'metric' | 'us';
  /** Hours of the clock: 18:40 or 6:40 PM. */
  readonly clock: 24 | 12;
  /** ISO 4217 code that stands with prices; empty for none. Nothing is converted. */
  readonly currency: string;
}

export const METRIC: Habits = { units: 'metric', clock: 24, currency: '' };

let current: Habits = METRIC;

/** The habits that everything is said in just now. */
export const habits = (): Habits => current;

/**
 * From now on everything that this page, worker or command says follows these habits. They are the one thing that the words
 * share across the program, as a language would be: docs/decisions/032-units-and-habits.md.
 */
export function speakIn({ units, clock, currency }: Habits): void {
  current = { units, clock, currency };
}

/** What a piece of work says in some habits; afterwards all is said as before. The work must not wait for anything. */
export function inHabits<Answer>(chosen: Habits, work: () => Answer): Answer {
  const before = current;
  current = chosen;
  try {
    return work();
  } finally {
    current = before;
  }
}
