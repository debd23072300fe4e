import { ownHoursProblem } from './accessory-rule.js';
import type { Accessory, Cable } from './gear.js';

/** What is wrong between the draws of an accessory, or null. */
export function drawProblem({ drawA, drawW, via, transmitDraw, rule }: Accessory): string | null {
  if ((drawA === undefined) === (drawW === undefined)) {
    return 'An accessory draws either amps at the battery or watts behind a converter: give one of drawA and drawW.';
  }
  if (via !== undefined && drawW === undefined) {
    return 'A converter (via) goes with watts: give drawW, or leave the converter out.';
  }
  if (transmitDraw !== undefined && rule.when !== 'transmitting') {
    return 'A draw while transmitting goes with the rule “transmitting”.';
  }
  return ownHoursProblem(rule)?.sentence ?? null;
}

/** What is wrong with how a cable is described, or null. */
export function cableProblem({ loopOhm, wire }: Cable): string | null {
  if (loopOhm === undefined && wire === undefined) {
    return 'A cable is described by its resistance or by what it is made of: give loopOhm, wire or both.';
  }
  if (wire && (wire.awg === undefined) === (wire.areaMm2 === undefined)) {
    return 'A wire has either a gauge or a cross section: give one of awg and areaMm2.';
  }
  return null;
}
