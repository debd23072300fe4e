import { Router } from 'express';
import { FIELDS, numberProblem, packLabelOf, type Gear } from '@knapsack/contract';
import {
  fail,
  METER_SCRIPTS,
  meterLine,
  batteryPackAt,
  assumedCurrents,
  simulatedLoad,
  simulatedMeter,
  succeed,
  type MeterScript,
  type Reading,
  type Result,
} from '@knapsack/core';
import type { DocumentStore } from '../documents/document-store.js';
import { sendProblem } from './problems.js';

const MOST_A_SECOND = 10;
const MOST_TIMES_FASTER = 60;
const USUAL_POWER_W = 10;

/** A discharge takes hours: its clock may run so much faster. */
const MOST_TIMES_FASTER_LOAD = 900;
const ROOM_C = 20;

/**
 * The simulated inline meter as a stream of server-sent events, one line of its serial format each, as a real one would
 * come over a serial bridge: `GET ?radio=ID&power=W&script=NAME&rate=1..10&faster=1..60&seed=N`, or a battery under a steady
 * load: `GET ?battery=ID&amps=A&rate=1..10&faster=1..900&seed=N`.
 */
export function meterRoutes(gear: DocumentStore<Gear>): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const ask = new Question(request.query);
    const id = ask.text('radio') || ask.text('battery');
    const item = (await gear.read(id))?.document;
    if (!item) return sendProblem(response, 404, 'There is nothing of that name on the shelf.');
    const meter = item.kind === 'radio' ? radioMeter(item, ask) : loadMeter(item, ask);
    if (!meter.ok) return sendProblem(response, 422, meter.problems[0].sentence);
    const { read, mostFaster } = meter.value;
    const rate = ask.number('rate', 5);
    const faster = ask.number('faster', 1);
    if (!(rate >= 1 && rate <= MOST_A_SECOND) || !(faster >= 1 && faster <= mostFaster)) {
      return sendProblem(
        response,
        422,
        `The meter reads 1 to ${MOST_A_SECOND} times a second, and runs 1 to ${mostFaster} times as fast as a clock.`,
      );
    }
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' });
    response.flushHeaders();
    // A radio's clock that runs faster gives as many more readings; a discharge is read the more rarely.
    const [lines, stepMs] = item.kind === 'radio' ? [faster, 1000 / rate] : [1, (1000 * faster) / rate];
    let count = 0;
    const timer = setInterval(() => {
      try {
        const sent = Array.from({ length: lines }, () => `data: ${meterLine(read(count++ * stepMs))}\n\n`);
        response.write(sent.join(''));
      } catch {
        // What throws in a timer would end the server: here it ends the stream.
        response.destroy();
      }
    }, 1000 / rate);
    response.once('close', () => clearInterval(timer));
  });
  return router;
}

/** The words of a request's query. */
class Question {
  constructor(private readonly query: Record<string, unknown>) {}

  text(name: string): string {
    const value = this.query[name];
    return typeof value === 'string' ? value : '';
  }

  number(name: string, usual: number): number {
    return this.text(name) === '' ? usual : Number(this.text(name));
  }
}

interface Meter {
  readonly read: (timeMs: number) => Reading;
  readonly mostFaster: number;
}

function radioMeter(radio: Extract<Gear, { kind: 'radio' }>, ask: Question): Result<Meter> {
  const script = ask.text('script');
  if (!Object.hasOwn(METER_SCRIPTS, script)) {
    return refuse(`The script must be one of ${Object.keys(METER_SCRIPTS).join(', ')}.`);
  }
  const powerW = ask.number('power', USUAL_POWER_W);
  const wrong = numberProblem(FIELDS.rfW, powerW);
  if (wrong) return refuse(wrong);
  const receive = [{ amps: radio.receiveA.value, source: radio.receiveA.source }];
  const setup = {
    radio: assumedCurrents({ receive, transmit: radio.transmit }, 'measured'),
    powerW,
    script: script as MeterScript,
    noiseA: 0.004,
    offsetA: 0.002,
    driftAPerHour: 0.002,
    restV: 13.2,
    ohm: 0.06,
  };
  return succeed({ read: simulatedMeter(setup, ask.number('seed', 1) || 1), mostFaster: MOST_TIMES_FASTER });
}

function loadMeter(gear: Gear, ask: Question): Result<Meter> {
  if (gear.kind !== 'battery') return refuse(`${gear.name} is neither a radio nor a battery.`);
  const amps = ask.number('amps', 1);
  const wrong = numberProblem(FIELDS.dischargeA, amps);
  if (wrong) return refuse(wrong);
  const pack = batteryPackAt(packLabelOf(gear, 1), ROOM_C);
  const seed = ask.number('seed', 1) || 1;
  return succeed({ read: simulatedLoad(pack, amps, seed), mostFaster: MOST_TIMES_FASTER_LOAD });
}

const refuse = (sentence: string): Result<never> => fail({ code: 'meter', sentence });
