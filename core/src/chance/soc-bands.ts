/** Steps of charge that a band is told to; values between are read straight. */
const BINS = 250;

/** Counts how often the charge at each edge of a plan stood where, so that bands need no memory of the samples. */
export class SocBands {
  private readonly counts: Uint16Array;
  private samples = 0;

  constructor(private readonly edges: number) {
    this.counts = new Uint16Array(edges * (BINS + 1));
  }

  /** Counts one sample in: a state of charge for each edge, 0 to 1. */
  add(socs: Float32Array): void {
    const { counts, edges } = this;
    for (let edge = 0; edge < edges; edge++) {
      const bin = Math.round(Math.min(1, Math.max(0, socs[edge])) * BINS);
      counts[edge * (BINS + 1) + bin] += 1;
    }
    this.samples += 1;
  }

  /** The charge at each edge that a share of the samples stays under, 0 to 1. */
  quantile(share: number): Float32Array {
    const { counts, edges } = this;
    const wanted = share * this.samples;
    const band = new Float32Array(edges);
    for (let edge = 0; edge < edges; edge++) {
      const from = edge * (BINS + 1);
      let sum = 0;
      let bin = 0;
      while (bin < BINS && sum + counts[from + bin] < wanted) sum += counts[from + bin++];
      const here = counts[from + bin];
      const within = here > 1 ? (wanted - sum) / here - 0.5 : 0;
      band[edge] = Math.min(1, Math.max(0, (bin + within) / BINS));
    }
    return band;
  }
}
