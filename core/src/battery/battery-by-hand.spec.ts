import fc from 'fast-check';
import {
  batteryPackAt,
  coldCapacityFactor,
  coldResistanceFactor,
  dischargeRate,
  openCircuitVolts,
  peukertFactor,
  resistancesAt,
  socAtOpenCircuitVolts,
  type PackLabel,
} from './battery-pack.js';
import { acceptance, chargeFor, hoursToFull } from './charge.js';
import { leadFreezesAt } from './freezing.js';
import { fullRestVolts, mostChargingVolts, setPointVolts } from './most-volts.js';
import { packCurrent, socketCurrent } from './pack-current.js';
import { comesBack, reconnectVolts } from './restart.js';
import { chargingVolts, dischargingVolts, terminalVolts } from './terminal-volts.js';

const lifepo4: PackLabel = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 20, health: 1 };
const agm: PackLabel = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 17, health: 0.8 };
let iron: ReturnType<typeof batteryPackAt>;
beforeAll(() => {
  iron = batteryPackAt(lifepo4, 25);
});

describe('a battery by hand', () => {
  it('loses capacity and gains resistance in the cold, straight between the figures of the table', () => {
    expect([-30, -20, 0, 25, 40].map((c) => coldCapacityFactor('lifepo4', c))).toEqual([0.6, 0.6, 0.9, 1, 1]);
    expect(coldCapacityFactor('lifepo4', -15)).toBeCloseTo(0.69, 9);
    expect(coldCapacityFactor('lifepo4', 5)).toBeCloseTo(0.935, 9);
    expect([-20, -10, 0, 12.5, 25, 40].map(coldResistanceFactor)).toEqual([2.2, 1.85, 1.5, 1.25, 1, 1]);
  });

  it('has its table’s resistance over its Ah, or the one that was measured, the polarisation along with it', () => {
    expect(resistancesAt(lifepo4, 25)).toEqual({ ohmic: 0.25 / 20, polarisation: 0.2 / 20 });
    const measured = resistancesAt({ ...lifepo4, ohmicOhm: 0.05 }, 0);
    expect(measured.ohmic).toBeCloseTo(0.05 * 1.5, 9);
    expect(measured.polarisation).toBeCloseTo(0.01 * (0.05 / 0.0125) * 1.5, 9);
    // Twice the cells, twice the ohms.
    expect(resistancesAt({ ...lifepo4, cellsInSeries: 8 }, 25).ohmic).toBeCloseTo(0.025, 9);
    // Li-ion is told for three and for four cells.
    const liion = (cellsInSeries: number) =>
      resistancesAt({ ...lifepo4, chemistry: 'liion', cellsInSeries, ratedAh: 1 }, 25);
    expect([3, 4, 6].map((cells) => liion(cells).ohmic)).toEqual([0.25, 0.33, 0.5]);
  });

  it('stores what is left with age, gives what the cold leaves of it, and scales its volts by its cells', () => {
    const old = batteryPackAt({ ...lifepo4, health: 0.8, cellsInSeries: 8, cutoffV: 21 }, -10);
    expect([old.ratedAh, old.storedAh, old.cutoffV]).toEqual([20, 16, 21]);
    expect(old.deliverableAh).toBeCloseTo(16 * 0.78, 9);
    expect(openCircuitVolts(old, 0.5)).toBeCloseTo(26.12, 9);
    expect(batteryPackAt({ ...lifepo4, cellsInSeries: 8 }, 25).cutoffV).toBe(20);
    expect(iron.socket).toBeNull();
  });

  it('reads its charge off its rest volts, and back', () => {
    expect(openCircuitVolts(iron, 0.15)).toBeCloseTo(12.8, 9);
    expect(socAtOpenCircuitVolts(iron, 12.8)).toBeCloseTo(0.15, 9);
    expect([9, 15].map((volts) => socAtOpenCircuitVolts(iron, volts))).toEqual([0, 1]);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (soc) => {
        expect(socAtOpenCircuitVolts(iron, openCircuitVolts(iron, soc))).toBeCloseTo(soc, 6);
      }),
    );
  });

  it('empties faster above its rated current, and never slower below it', () => {
    // Rated over five hours: 4 A. At 16 A four times that, to the power of 0.03.
    expect(peukertFactor(iron, 4)).toBe(1);
    expect(peukertFactor(iron, 0.1)).toBe(1);
    expect(peukertFactor(iron, 16)).toBeCloseTo(4 ** 0.03, 9);
    expect(dischargeRate(iron, 16)).toBeCloseTo(0.8 * 4 ** 0.03, 9);
  });
});

describe('a charge by hand', () => {
  let charge: typeof iron.charge;
  beforeAll(() => {
    ({ charge } = iron);
  });

  it('is taken at half the rated Ah an hour up to 95 %, then falling to a twentieth', () => {
    expect(charge).toEqual(
      jasmine.objectContaining({
        efficiency: 0.99,
        maxA: 10,
        taperSoc: 0.95,
        endA: 1,
        absorptionV: 14.4,
        isLead: false,
      }),
    );
    expect([0, 0.95, 1, 1.2].map((soc) => acceptance(charge!, soc))).toEqual([10, 10, 1, 1]);
    expect(acceptance(charge!, 0.975)).toBeCloseTo(5.5, 9);
  });

  it('is not taken below freezing by lithium, by half by lead, by the label where it says less', () => {
    expect(batteryPackAt(lifepo4, -0.1).charge).toBeNull();
    expect(batteryPackAt(lifepo4, 0).charge).not.toBeNull();
    expect(batteryPackAt({ ...lifepo4, chemistry: 'alkaline', cellsInSeries: 10 }, 25).charge).toBeNull();
    const [warm, cold] = [25, -5].map((c) => batteryPackAt(agm, c).charge!);
    expect(cold.maxA).toBeCloseTo(warm.maxA / 2, 9);
    expect(warm.isLead).toBeTrue();
    const limited = batteryPackAt({ ...lifepo4, maxChargeA: 0.6 }, 25).charge!;
    // The end of the charge asks for no more than it may take.
    expect([limited.maxA, limited.endA]).toEqual([0.6, 0.6]);
  });

  it('rises straight, and says how long it took', () => {
    // 5 A for 2 h: 0.99 × 10 of 20 Ah.
    expect(chargeFor(iron, charge!, 0.2, 5, 2)).toEqual({ soc: 0.2 + 0.495, hours: 2 });
    expect(chargeFor(iron, charge!, 0.2, 0, 2)).toEqual({ soc: 0.2, hours: 0 });
    expect(chargeFor(iron, charge!, 1, 5, 2)).toEqual({ soc: 1, hours: 0 });
    // More than it accepts is not taken.
    expect(chargeFor(iron, charge!, 0.2, 50, 1).soc).toBeCloseTo(0.2 + (0.99 * 10) / 20, 9);
    // Under what a full battery still accepts it rises straight to the end: 2 Ah at 0.99 A.
    expect(hoursToFull(iron, charge!, 0.9, 1)).toBeCloseTo(2 / 0.99, 9);
    expect([hoursToFull(iron, charge!, 1, 5), hoursToFull(iron, charge!, 0.5, 0)]).toEqual([0, Infinity]);
  });

  it('ends as its law has it: dSoC/dt = efficiency × acceptance ÷ Ah', () => {
    // From 95 % on the acceptance falls by 180 A for all of the charge: ln(10 / 1) / (0.99 / 20 × 180) hours.
    expect(hoursToFull(iron, charge!, 0.95, 50)).toBeCloseTo(Math.log(10) / ((0.99 / 20) * 180), 9);
    // By small steps.
    let soc = 0.9;
    const dt = 1 / 20_000;
    for (let step = 0; step < 5000; step++) soc += ((0.99 * Math.min(6, acceptance(charge!, soc))) / 20) * dt;
    expect(chargeFor(iron, charge!, 0.9, 6, 0.25).soc).toBeCloseTo(soc, 4);
  });
});

describe('the volts of a battery by hand', () => {
  it('fall by both resistances while it gives', () => {
    expect(dischargingVolts(iron, 0.5, 4)).toBeCloseTo(13.06 - 4 * 0.0225, 9);
    expect(terminalVolts(iron, 0.5, 4)).toBe(dischargingVolts(iron, 0.5, 4));
    expect(terminalVolts(batteryPackAt(lifepo4, -5), 0.5, -4)).toBeCloseTo(13.06, 9);
  });

  it('rise by them and by the hysteresis while it takes, up to where the charge is held', () => {
    const { charge } = iron;
    expect(chargingVolts(iron, charge!, 0.5, 4)).toBeCloseTo(13.06 + 4 * 0.0225 + 0.1, 9);
    // Under a hundredth of the rated Ah an hour the hysteresis has not built up: half of it at 0.1 A.
    expect(chargingVolts(iron, charge!, 0.5, 0.1)).toBeCloseTo(13.06 + 0.1 * 0.0225 + 0.05, 9);
    expect(chargingVolts(iron, charge!, 0.5, 0)).toBeCloseTo(13.06, 9);
    expect(chargingVolts(iron, charge!, 0.5, 99)).toBeCloseTo(13.06 + 10 * 0.0225 + 0.1, 9);
    expect(chargingVolts(iron, charge!, 1, 0.1)).toBe(14.4);
    // Half way through the taper, with all that it accepts there (5.5 A): half way from the raised volts to 14.4 V.
    const raised = 13.53 + 5.5 * 0.0225 + 0.1;
    expect(chargingVolts(iron, charge!, 0.975, 20)).toBeCloseTo(raised + (14.4 - raised) / 2, 9);
    expect(terminalVolts(iron, 0.5, -4)).toBe(chargingVolts(iron, charge!, 0.5, 4));
  });

  it('of lead go from rest towards the end of charge by the 0.7th power of what they are given', () => {
    const pack = batteryPackAt(agm, 25);
    const charge = pack.charge!;
    const restV = openCircuitVolts(pack, 0.5);
    const full = acceptance(charge, 0.5);
    expect(chargingVolts(pack, charge, 0.5, full / 2)).toBeCloseTo(
      restV + (charge.absorptionV - restV) * 0.5 ** 0.7,
      9,
    );
    expect(chargingVolts(pack, charge, 0.5, full * 3)).toBeCloseTo(charge.absorptionV, 9);
  });

  it('at the most are what chargers hold, lead by its temperature', () => {
    const of = (chemistry: PackLabel['chemistry'], cellsInSeries: number) => ({
      name: 'it',
      chemistry,
      cellsInSeries,
    });
    expect(mostChargingVolts(of('lifepo4', 4), { temperatureC: 25 })).toBeCloseTo(14.6, 9);
    expect(mostChargingVolts(of('liion', 3), { temperatureC: 25 })).toBeCloseTo(12.6, 9);
    expect(mostChargingVolts(of('alkaline', 10), { temperatureC: 25 })).toBeNull();
    const held = setPointVolts(of('agm', 6), 25)!;
    const lead = (temperatureC: number, more: object = {}) =>
      mostChargingVolts(of('agm', 6), { temperatureC, ...more })! - held;
    expect(lead(5)).toBeCloseTo(20 * 0.018, 9);
    expect(lead(5, { compensates: true })).toBeCloseTo(20 * 0.03, 9);
    // In the heat less only where the charger compensates.
    expect(lead(45)).toBeCloseTo(0, 9);
    expect(lead(45, { compensates: true })).toBeCloseTo(-0.6, 9);
    expect(mostChargingVolts(of('flooded', 6), { temperatureC: 25, equalises: true })).toBeCloseTo(15.5, 9);
    expect(mostChargingVolts(of('flooded', 6), { temperatureC: 25 })).toBeLessThan(15);
    expect(lead(25, { equalises: true })).toBeCloseTo(0, 9);
    expect(setPointVolts(of('agm', 6), 5)! - held).toBeCloseTo(0.36, 9);
    expect(setPointVolts(of('agm', 12), 25)).toBeCloseTo(2 * held, 9);
    expect(setPointVolts(of('lifepo4', 4), 5)).toBeCloseTo(14.4, 9);
    expect(setPointVolts(of('lithiumaa', 8), 5)).toBeNull();
  });

  it('stand higher for three hours after a charge', () => {
    const full = { name: 'it', chemistry: 'lifepo4' as const, cellsInSeries: 4 };
    expect(fullRestVolts(full)).toBeCloseTo(13.7, 9);
    expect(fullRestVolts(full, 0.12)).toBeCloseTo(13.7, 9);
    expect(fullRestVolts(full, 0.125)).toBeCloseTo(13.6, 9);
  });
});

describe('what stands around a battery', () => {
  it('a socket takes watts through its converter and its own', () => {
    const station = batteryPackAt({ ...lifepo4, socket: { volts: 13, efficiency: 0.9, idleW: 2 } }, 25);
    expect(packCurrent(station, 2, 10, 12.8)).toBeCloseTo(((2 * 13 + 10) / 0.9 + 2) / 12.8, 9);
    expect(packCurrent(iron, 2, 10, 12.8)).toBeCloseTo(2 + 10 / 12.8, 9);
    expect(socketCurrent(station, 2, 10, 12.8)).toBeCloseTo(2 + 10 / 13, 9);
    expect(socketCurrent(iron, 2, 10, 12.8)).toBeCloseTo(2 + 10 / 12.8, 9);
  });

  it('loads come back by the volts of their chemistry, and by what took them off', () => {
    expect(reconnectVolts(lifepo4)).toBeCloseTo(13, 9);
    expect(reconnectVolts({ chemistry: 'agm', cellsInSeries: 12 })).toBeCloseTo(25.2, 9);
    expect(reconnectVolts({ chemistry: 'alkaline', cellsInSeries: 10 })).toBe(Infinity);
    expect(comesBack('lifepo4', true, null)).toBeTrue();
    expect(comesBack('lifepo4', false, true)).toBeTrue();
    expect([false, null].map((wakes) => comesBack('liion', false, wakes))).toEqual([false, false]);
    expect(comesBack('agm', false, null)).toBeTrue();
  });

  it('lead freezes the sooner the emptier it is', () => {
    expect([0, 0.25, 0.5, 0.75, 1].map(leadFreezesAt)).toEqual([-8, -15, -22, -38, -60]);
  });
});
