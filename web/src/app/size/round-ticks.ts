const STEPS = [1, 2, 2.5, 5, 10];

/** Round numbers over a stretch, about so many. */
export function roundTicks(least: number, most: number, about: number): readonly number[] {
  const room = Math.max(most - least, 1e-9);
  const power = 10 ** Math.floor(Math.log10(room / about));
  const step = power * (STEPS.find((one) => room / (one * power) <= about) ?? 10);
  const first = Math.ceil(least / step - 1e-9);
  return Array.from({ length: Math.floor(most / step - first + 1e-9) + 1 }, (_, index) =>
    Number(((first + index) * step).toPrecision(12)),
  );
}
