import type { Forecast } from '../forecast/forecast.js';
import { endSum } from './end-sum.js';
import { eventsSum } from './events-sum.js';
import { loadSum } from './load-sum.js';
import { lowestSum } from './lowest-sum.js';
import { marginSum } from './margin-sum.js';
import { assumptionsSum } from './assumptions-sum.js';
import { schoolsSum } from './schools-sum.js';
import { sunSum } from './sun-sum.js';
import type { Sum } from './sum.js';

/** The figures of a verdict that unfold into their arithmetic, and the ways of looking at it. */
export type Explained = 'load' | 'margin' | 'lowest' | 'end' | 'assumptions' | 'schools' | 'sun' | 'events';

/**
 * The arithmetic behind each figure of the verdict, as data.
 *
 * @param zone IANA name of the time zone that instants are told in
 */
export function explain(run: Forecast, zone: string): Record<Explained, Sum> {
  return {
    load: loadSum(run),
    margin: marginSum(run),
    lowest: lowestSum(run),
    end: endSum(run),
    assumptions: assumptionsSum(run, zone),
    schools: schoolsSum(run, zone),
    sun: sunSum(run, zone),
    events: eventsSum(run, zone),
  };
}
