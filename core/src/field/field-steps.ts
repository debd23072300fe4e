import type { ChanceLaw } from '../chance/chance-law.js';
import { HOUR_MS } from '../span.js';

/** What each step of a plan has to do with, worked out once. */
export interface FieldSteps {
  /** Hour of the sky's law. */
  readonly hour: Uint16Array;
  /** Place among the sunny steps of the light table, −1 in the dark. */
  readonly sunny: Int32Array;
  /** Which of the steps' key-downs it has. */
  readonly keyDown: Uint16Array;
  /** Blocks that are worked. */
  readonly blocks: readonly (readonly number[])[];
}

export function fieldSteps({ edgesMs, steps, load, sky, sun }: ChanceLaw): FieldSteps {
  const count = edgesMs.length - 1;
  const sunny = new Int32Array(count).fill(-1);
  sun?.light.sunny.forEach((step, index) => (sunny[step] = index));
  const blocks: number[][] = Array.from({ length: count }, () => []);
  load.blocks.forEach(({ fromStep, toStep }, index) => {
    for (let step = fromStep; step < toStep; step++) blocks[step].push(index);
  });
  let stretch = 0;
  const keyDown = Uint16Array.from({ length: count }, (_, step) => {
    if (step >= steps.stretchEnd[stretch]) stretch += 1;
    return steps.stretchKeyDown[stretch];
  });
  const hour = Uint16Array.from({ length: count }, (_, step) =>
    sky ? Math.floor((edgesMs[step] - sky.startMs) / HOUR_MS) : 0,
  );
  return { hour, sunny, keyDown, blocks };
}
