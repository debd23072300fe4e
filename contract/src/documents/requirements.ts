export const REQUIREMENTS_SCHEMA = 'knapsack.requirements';
export const REQUIREMENTS_VERSION = 2;

/** There is one list. */
export const REQUIREMENTS_ID = 'next-build';

/** What a kit can be measured by, in the unit of its field. */
export const MEASURES = [
  'carriedG',
  'usableAh',
  'whPerKg',
  'costPerWh',
  'chance',
  'hoursWithoutSun',
  'hoursAfterFailure',
  'availability',
  'noise',
  'disconnect',
  'sockets',
  'keepsDry',
] as const;
export type Measure = (typeof MEASURES)[number];

/** What the next kit must do. */
export interface Requirement {
  readonly id: string;
  readonly measure: Measure;
  /** Least or most, as the measure is; 1 for what is there or not. */
  readonly target: number;
  /** Band of a noise, for example "20 m". */
  readonly band?: string;
  /** Why, in a line; a lesson's words where it came from one. */
  readonly why?: string;
  /** Where it came from. */
  readonly lesson?: { readonly trip: string; readonly id: string };
}

/** What the next build must do. */
export interface RequirementsDocument {
  readonly schema: typeof REQUIREMENTS_SCHEMA;
  readonly version: typeof REQUIREMENTS_VERSION;
  readonly id: typeof REQUIREMENTS_ID;
  readonly requirements: readonly Requirement[];
}

export const noRequirements = (): RequirementsDocument => ({
  ...{ schema: REQUIREMENTS_SCHEMA, version: REQUIREMENTS_VERSION, id: REQUIREMENTS_ID },
  requirements: [],
});
