import { charge, chargeVolts, discharge } from './battery-cases.js';
import { load, sourceRuns, wire } from './load-and-wire-cases.js';
import { holdAgainst, type Computed, type ReferenceFile, type VerifiedFile } from './reference-file.js';
import { controller, panel, planeOfPanel, sky, sun } from './sun-cases.js';

/** The kinds of file that are known, each by a field that only its cases have. */
const KINDS: readonly {
  readonly name: string;
  readonly field: string;
  readonly compute: (given: never) => Computed;
}[] = [
  { name: 'sun', field: 'time_utc', compute: sun },
  { name: 'clear sky', field: 'linke_turbidity', compute: sky },
  { name: 'plane of panel', field: 'panel_azimuth_deg', compute: planeOfPanel },
  { name: 'panel', field: 'mount', compute: panel },
  { name: 'controller', field: 'wake_share', compute: controller },
  { name: 'discharge', field: 'mean_load_a', compute: discharge },
  { name: 'charge', field: 'available_a', compute: charge },
  { name: 'volts while charging', field: 'charge_a', compute: chargeVolts },
  { name: 'runs of the charging side', field: 'strings', compute: sourceRuns },
  { name: 'load', field: 'transmit_points', compute: load },
  { name: 'wire', field: 'run_m', compute: wire },
];

/** Runs every case of a file through the core; null where the file is of no known kind. */
export function verifyFile(file: ReferenceFile): (VerifiedFile & { readonly kind: string }) | null {
  const [first] = file.cases;
  const kind = first && KINDS.find(({ field }) => Object.hasOwn(first, field));
  return kind ? { kind: kind.name, ...holdAgainst(file, kind.compute) } : null;
}
