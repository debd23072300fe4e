import { acceptance, chargeFor } from '../battery/charge.js';
import { dischargeRate, openCircuitVolts, socAtOpenCircuitVolts, type Pack } from '../battery/pack.js';
import type { LoadSeries } from '../load/load-series.js';
import { HOUR_MS } from '../span.js';

export interface MarchInput {
  readonly pack: Pack;
  readonly load: LoadSeries;
  /**
   * Current offered by the sun or any other source in a step, A, at volts at the battery's terminals; absent for none.
   * Asked twice a step: at the volts of the step before, and once more at the volts that this gives.
   */
  readonly offeredAt?: (step: number, batteryV: number) => number;
  /** State of charge at the start, 0 to 1. */
  readonly startSoc: number;
  /** State of charge that the plan keeps in reserve, 0 to 1. */
  readonly floorSoc: number;
  /** Volts at the radio below which it shuts off. */
  readonly radioDropoutV: number;
  /** Resistance of the lead from battery to radio, there and back, ohm. */
  readonly leadOhm: number;
}

/** When each end point comes first, UTC epoch ms; null where it does not come within the march. */
export interface EndPoints {
  readonly floorMs: number | null;
  readonly radioDropoutMs: number | null;
  readonly cutoffMs: number | null;
}

/** What became of the charge over the whole march, Ah. */
export interface ChargeBooks {
  readonly loadsAh: number;
  readonly offeredAh: number;
  /** Offered and used by the loads at once. */
  readonly servedAh: number;
  /** Offered and left in the pack. */
  readonly storedAh: number;
  /** Offered, but neither needed nor accepted. */
  readonly curtailedAh: number;
  readonly chargeLossAh: number;
  /** Taken out of the pack's store. */
  readonly drawnAh: number;
  /** The part of the drawn charge that Peukert's excess and the cold eat. */
  readonly dischargeLossAh: number;
}

export interface March {
  readonly edgesMs: Float64Array;
  /** State of charge at each edge, 0 to 1; one more than there are steps. */
  readonly soc: Float64Array;
  /** Volts at the pack's terminals at the end of each step, under the step's mean current. */
  readonly terminalV: Float64Array;
  /** Volts at the radio at the end of each step while the key is down; the resting volts where the radio is off. */
  readonly radioV: Float64Array;
  /** Load that was carried, A; 0 once the cut-off has opened. */
  readonly loadA: Float64Array;
  /** Current that was offered, A. */
  readonly offeredA: Float64Array;
  /** The part of it that was not used, A. */
  readonly curtailedA: Float64Array;
  readonly ends: EndPoints;
  readonly books: ChargeBooks;
}

/**
 * Marches a pack through its loads, step by step: what is offered serves the load first, the rest
 * charges within the pack's acceptance, what is left is curtailed; a deficit discharges by coulomb
 * counting with Peukert's factor on the step's mean current. The three end points are looked for in
 * the same run, each as if the others did not stop the plan, and found inside their step.
 *
 * Once the cut-off opens, the loads are off for good: a low-voltage disconnect needs a hand.
 * Source: design model, sections 2 and 4.
 */
export function march(input: MarchInput): March {
  const { pack, load, offeredAt, startSoc, floorSoc, radioDropoutV, leadOhm } = input;
  const { edgesMs } = load;
  const steps = edgesMs.length - 1;
  const soc = new Float64Array(steps + 1);
  const terminalV = new Float64Array(steps);
  const radioV = new Float64Array(steps);
  const loadA = new Float64Array(steps);
  const offeredA = new Float64Array(steps);
  const curtailedA = new Float64Array(steps);
  const ohm = pack.resistanceOhm;

  let floorMs: number | null = null;
  let radioDropoutMs: number | null = null;
  let cutoffMs: number | null = null;
  let loadsAh = 0;
  let offeredAh = 0;
  let servedAh = 0;
  let storedAh = 0;
  let curtailedAh = 0;
  let chargeLossAh = 0;
  let drawnAh = 0;

  soc[0] = startSoc;
  let busV = openCircuitVolts(pack, startSoc);
  for (let step = 0; step < steps; step++) {
    const startMs = edgesMs[step];
    const hours = (edgesMs[step + 1] - startMs) / HOUR_MS;
    const before = soc[step];
    const connected = cutoffMs === null;
    let carried = connected ? load.meanA[step] : 0;
    let offered = 0;
    if (offeredAt) {
      const firstV = terminalVolts(pack, before, carried - offeredAt(step, busV));
      offered = offeredAt(step, firstV);
    }
    offeredA[step] = offered;
    offeredAh += offered * hours;
    const deficit = carried - offered;
    let after = before;
    let packA = 0;

    if (deficit > 0) {
      const rate = dischargeRate(pack, deficit);
      after = before - rate * hours;
      const cutoffSoc = Math.max(0, socAtOpenCircuitVolts(pack, pack.cutoffV + deficit * ohm));
      let share = 1;
      if (after <= cutoffSoc) {
        share = before <= cutoffSoc ? 0 : (before - cutoffSoc) / (before - after);
        after = share === 0 ? before : cutoffSoc;
        cutoffMs = startMs + share * hours * HOUR_MS;
      }
      carried *= share;
      packA = deficit * share;
      drawnAh += (before - after) * pack.storedAh;
      servedAh += offered * share * hours;
      curtailedA[step] = offered * (1 - share);
    } else {
      const spare = -deficit;
      servedAh += carried * hours;
      if (pack.charge && spare > 0) {
        after = chargeFor(pack, pack.charge, before, spare, hours).soc;
        const gainedAh = (after - before) * pack.storedAh;
        const acceptedAh = gainedAh / pack.charge.efficiency;
        storedAh += gainedAh;
        chargeLossAh += acceptedAh - gainedAh;
        packA = -acceptedAh / hours;
      }
      curtailedA[step] = Math.max(0, spare + packA);
    }
    curtailedAh += curtailedA[step] * hours;
    loadsAh += carried * hours;
    loadA[step] = carried;
    soc[step + 1] = after;

    if (floorMs === null) floorMs = crossing(startMs, hours, before, after, floorSoc);
    const dip = connected ? load.keyDownPackA[step] * ohm + load.keyDownRadioA[step] * leadOhm : 0;
    if (radioDropoutMs === null && dip > 0) {
      const neededV = radioDropoutV + dip;
      if (openCircuitVolts(pack, before) < neededV) radioDropoutMs = startMs;
      else if (neededV > pack.openCircuitV[0]) {
        radioDropoutMs = crossing(startMs, hours, before, after, socAtOpenCircuitVolts(pack, neededV));
      }
    }
    const restV = openCircuitVolts(pack, after);
    busV = restV - packA * ohm;
    terminalV[step] = busV;
    radioV[step] = restV - dip;
  }

  return {
    edgesMs,
    soc,
    terminalV,
    radioV,
    loadA,
    offeredA,
    curtailedA,
    ends: { floorMs, radioDropoutMs, cutoffMs },
    books: {
      loadsAh,
      offeredAh,
      servedAh,
      storedAh,
      curtailedAh,
      chargeLossAh,
      drawnAh,
      dischargeLossAh: drawnAh - (loadsAh - servedAh),
    },
  };
}

/** Volts at the terminals at a state of charge and a net load, A; negative: what the pack accepts of it charges. */
function terminalVolts(pack: Pack, soc: number, netA: number): number {
  const packA = netA >= 0 ? netA : pack.charge ? -Math.min(-netA, acceptance(pack.charge, soc)) : 0;
  return openCircuitVolts(pack, soc) - packA * pack.resistanceOhm;
}

/** When a straight fall from one state of charge to another passes a level; its start where it is at or below it already. */
function crossing(
  startMs: number,
  hours: number,
  before: number,
  after: number,
  level: number,
): number | null {
  if (before <= level) return before < level || after < level ? startMs : null;
  if (after > level || after >= before) return null;
  return startMs + ((before - level) / (before - after)) * hours * HOUR_MS;
}
