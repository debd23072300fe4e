/** How far a figure may be off: absolutely, as a share of the wanted one, or by a field of the case itself. */
export interface Tolerance {
  readonly absolute?: number;
  readonly relative?: number;
  /** Name of the case's field that holds the allowed error. */
  readonly absolute_field?: string;
}

/** One case: inputs and figures to meet, units in the field names. */
export type ReferenceCase = Readonly<Record<string, unknown>>;

/** A file of independent figures; the format is described in core/reference/README.md. */
export interface ReferenceFile {
  readonly about: string;
  /** The figures to meet. */
  readonly tolerance: Readonly<Record<string, Tolerance>>;
  readonly cases: readonly ReferenceCase[];
}

/** Inputs of a case that are numbers, by their names. */
export type Numbers<Names extends string> = Readonly<Record<Names, number>>;

/** What the core gives for a case, by the names of the figures. */
export type Computed = Readonly<Record<string, number | string | boolean | null>>;

/** The figure that came nearest to failing, or failed most. */
export interface Worst {
  readonly figure: string;
  readonly index: number;
  readonly got: unknown;
  readonly wanted: unknown;
  /** Error as a share of what is allowed; above 1 fails. Infinite where text or null differ, or nothing was computed. */
  readonly share: number;
}

export interface VerifiedFile {
  readonly cases: number;
  readonly figures: number;
  readonly failures: number;
  readonly worst: Worst | null;
}

/** Holds what was computed for each case against the wanted figures. */
export function holdAgainst(file: ReferenceFile, compute: (given: never) => Computed): VerifiedFile {
  let figures = 0;
  let failures = 0;
  let worst: Worst | null = null;
  file.cases.forEach((given, index) => {
    const computed = compute(given as never);
    for (const [figure, tolerance] of Object.entries(file.tolerance)) {
      const got = computed[figure];
      const wanted = given[figure];
      const share = errorShare(figure, got, wanted, tolerance, given);
      figures += 1;
      // Written so that a figure that is no number fails too.
      if (!(share <= 1)) failures += 1;
      if (!worst || !(share <= worst.share)) worst = { figure, index, got, wanted, share };
    }
  });
  return { cases: file.cases.length, figures, failures, worst };
}

function errorShare(
  figure: string,
  got: unknown,
  wanted: unknown,
  tolerance: Tolerance,
  given: ReferenceCase,
): number {
  if (typeof got !== 'number' || typeof wanted !== 'number')
    return got === wanted && got !== undefined ? 0 : Infinity;
  const { absolute = 0, relative = 0, absolute_field: field } = tolerance;
  const allowed = field ? Number(given[field]) : Math.max(absolute, relative * Math.abs(wanted));
  const error = figure.includes('azimuth') ? aroundTheCircle(got - wanted) : Math.abs(got - wanted);
  return error === 0 ? 0 : Number.isFinite(error) ? error / allowed : Infinity;
}

/** The short way round, degrees. */
const aroundTheCircle = (degrees: number): number => Math.abs(((((degrees + 180) % 360) + 360) % 360) - 180);
