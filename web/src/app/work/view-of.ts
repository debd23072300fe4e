import { explain, type Forecast } from '@knapsack/core';
import type { ForecastView } from './forecast-protocol';

/** A forecast as the page draws it. */
export function viewOf(run: Forecast, zone: string, explained = false, skyFactor = 1): ForecastView {
  const { plan, march, verdict } = run;
  const { edgesMs, soc, loadA, terminalV, radioV, keyDownA, offeredA, curtailedA, fedTakenA } = march;
  return {
    ...plan.outing,
    edgesMs,
    soc,
    loadA,
    terminalV,
    radioV,
    keyDownA,
    offeredA,
    curtailedA,
    fedTakenA,
    consumers: consumersOf(run),
    dropoutV: plan.radio.dropoutV,
    reserveSoc: verdict.reserveSoc,
    verdict,
    sums: explained ? explain(run, zone) : null,
    skyFactor,
  };
}

/** What each consumer draws in each step, loads of constant power at the volts that the march calculated with. */
function consumersOf({ load, march: { cellsV } }: Forecast): ForecastView['consumers'] {
  return load.byConsumer.map(({ amps, watts }, index) => ({
    name: load.consumers[index],
    amps: amps.map((value, step) => value + (watts[step] > 0 ? watts[step] / cellsV[step] : 0)),
  }));
}

/** The memory of the series, to be handed over instead of copied. */
export function buffersOf(view: ForecastView): ArrayBuffer[] {
  const series = [...Object.values(view), ...view.consumers.map(({ amps }) => amps)];
  return [
    ...new Set(
      series.flatMap((value) => (value instanceof Float64Array ? (value.buffer as ArrayBuffer) : [])),
    ),
  ];
}
