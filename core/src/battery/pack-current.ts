import type { BatteryPack } from './battery-pack.js';

/**
 * Current out of the cells for a draw, A: the draw itself from a plain battery; behind a socket the power at the socket
 * through its converter, plus what the box draws for itself.
 *
 * @param amps, watts the draw at the socket
 * @param cellsV volts of the cells
 */
export function packCurrent({ socket }: BatteryPack, amps: number, watts: number, cellsV: number): number {
  if (!socket) return amps + watts / cellsV;
  return ((amps * socket.volts + watts) / socket.efficiency + socket.idleW) / cellsV;
}

/** Current through the socket or off the terminals towards the loads, A. */
export const socketCurrent = ({ socket }: BatteryPack, amps: number, watts: number, cellsV: number): number =>
  amps + watts / (socket ? socket.volts : cellsV);
