/**
 * The 12 V socket of a boxed power station: a converter that holds its volts and takes a share and a standing draw for it.
 * Source: convention of this project, docs/model.md.
 */
export interface Socket {
  /** Volts that it holds while the cells last. */
  readonly volts: number;
  /** Power out / power in, 0 to 1. */
  readonly efficiency: number;
  /** What it draws from the cells whenever it is on, W. */
  readonly idleW: number;
}

/** What a boxed station that says nothing else gives: 0.90 on its socket. Source: convention of this project, docs/model.md. */
export const USUAL_SOCKET: Socket = { volts: 13, efficiency: 0.9, idleW: 2 };
