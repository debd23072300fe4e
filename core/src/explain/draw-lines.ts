import { assumedBlock } from '../forecast/plan-load.js';
import { assumedCurrents, ASSUMPTIONS, bestFigure } from '../load/assumption.js';
import { SHEET_RECEIVE_MEAN } from '../load/sheet-receive.js';
import { radioCurrent } from '../load/radio-current.js';
import type { LoadPiece } from '../load/accessory.js';
import {
  positionsOf,
  type PlanInput,
  type PlannedBlock,
  type PlannedPosition,
} from '../forecast/plan-input.js';
import type { RadioCurrents } from '../load/transmit-current.js';
import type { BatteryPack } from '../battery/battery-pack.js';
import type { Forecast } from '../forecast/forecast.js';
import { firstStepFrom } from '../time-grid.js';
import { hoursOf, overlap, type Span } from '../span.js';
import { packCurrent } from '../battery/pack-current.js';
import { q, type SumLine, type Term } from './sum.js';

/** The factor on a data sheet's receive current, which is part of the sum; nothing for measured figures and cautious plans. */
function sheetLine({ assumption }: PlanInput, { radio, blocks }: PlannedPosition): SumLine[] {
  const { amps, source } = bestFigure(radio.figures.receive);
  if (source !== 'datasheet' || assumption === 'cautious' || blocks.length === 0) return [];
  return [
    {
      label: `${radio.name} receiving: sheets state maxima, measure it`,
      terms: [q(amps, 'A'), ' data sheet × ', q(SHEET_RECEIVE_MEAN, 'factor')],
      result: q(SHEET_RECEIVE_MEAN * amps, 'A'),
    },
  ];
}

/** The mean current of an over, once for each mode and power of the plan. */
export function overLines(plan: PlanInput): SumLine[] {
  return positionsOf(plan).flatMap((position) => {
    const radio = assumedCurrents(position.radio.figures, plan.assumption);
    const assumed = position.blocks.map((block) => assumedBlock(block, position.radio, plan.assumption));
    const distinct = new Map(
      assumed.map(
        (block) => [`${block.label} ${block.modeFactor} ${block.assumption ?? ''}`, block] as const,
      ),
    );
    const overs = [...distinct.values()].map((block) =>
      overLine(block, block.currents ?? radio, whose(plan, position)),
    );
    return [...sheetLine(plan, position), ...overs];
  });
}

function overLine(block: PlannedBlock, radio: RadioCurrents, of: string): SumLine {
  const { keyDownA, keyUpA, overA } = radioCurrent(radio, block);
  return {
    label: `an over of ${block.label}${of}${block.assumption ? `, ${ASSUMPTIONS[block.assumption].label}` : ''}`,
    terms: [
      q(keyUpA, 'A'),
      ' + ',
      q(block.modeFactor, 'factor'),
      ' × (',
      q(keyDownA, 'A'),
      ' − ',
      q(keyUpA, 'A'),
      ')',
    ],
    result: q(overA, 'A'),
  };
}

/** Which radio a line is about, where there are several. */
const whose = ({ others }: PlanInput, { radio }: PlannedPosition): string =>
  others && others.length > 0 ? ` on ${radio.name}` : '';

/**
 * One line for each block and each draw of an accessory within a stretch. Watts are told at the mean volts that the march
 * calculated with; behind the socket of a power station everything is watts through its converter.
 */
export function drawLines(run: Forecast, within: Span): SumLine[] {
  return [...blockLines(run, within), ...accessoryLines(run, within), ...socketLines(run, within)];
}

function blockLines({ plan, packs }: Forecast, within: Span): SumLine[] {
  return positionsOf(plan).flatMap((position) => positionLines(plan, position, packs[0], within));
}

function positionLines(
  plan: PlanInput,
  position: PlannedPosition,
  pack: BatteryPack,
  within: Span,
): SumLine[] {
  const radio = assumedCurrents(position.radio.figures, plan.assumption);
  return position.blocks.flatMap((block) => {
    const part = overlap(block, within);
    if (!part) return [];
    const assumed = assumedBlock(block, position.radio, plan.assumption);
    const { overA, meanA, receiveA } = radioCurrent(assumed.currents ?? radio, assumed);
    return {
      label: `${block.label}${whose(plan, position)}`,
      terms: [
        '(',
        q(block.share, 'factor'),
        ' × ',
        q(overA, 'A'),
        ' + ',
        q(1 - block.share, 'factor'),
        ' × ',
        q(receiveA, 'A'),
        ') × ',
        q(hoursOf(part), 'h'),
      ],
      result: pack.socket ? q(meanA * hoursOf(part), 'Ah at socket') : q(meanA * hoursOf(part), 'Ah'),
    };
  });
}

/** An accessory's stretches of one draw together: amps x hours, or watts ÷ volts x hours. */
function accessoryLines(run: Forecast, within: Span): SumLine[] {
  const { plan, packs } = run;
  return plan.accessories.flatMap(({ name, pieces }) => {
    const byDraw = new Map<string, { piece: LoadPiece; parts: Span[] }>();
    for (const piece of pieces) {
      const part = overlap(piece, within);
      if (!part) continue;
      const key = `${piece.mean.amps} ${piece.mean.watts}`;
      const known = byDraw.get(key);
      if (known) known.parts.push(part);
      else byDraw.set(key, { piece, parts: [part] });
    }
    return [...byDraw.values()].map(({ piece: { mean }, parts }): SumLine => {
      const hours = parts.reduce((sum, part) => sum + hoursOf(part), 0);
      const { socket } = packs[0];
      const supplyV = socket?.volts ?? (mean.watts > 0 ? meanVolts(run, parts) : 1);
      const terms: Term[] = [];
      if (mean.amps > 0 || mean.watts === 0) terms.push(q(mean.amps, 'A'));
      if (mean.watts > 0) {
        if (mean.amps > 0) terms.push(' + ');
        terms.push(q(mean.watts, 'W'), ' ÷ ', q(supplyV, 'V'));
      }
      const amps = mean.amps + mean.watts / supplyV;
      const together = terms.length > 1 && mean.amps > 0 ? ['(', ...terms, ')'] : terms;
      return {
        label: name,
        terms: [...together, ' × ', q(hours, 'h')],
        result: q(amps * hours, socket ? 'Ah at socket' : 'Ah'),
      };
    });
  });
}

/** What the cells of a power station give for all that was drawn at its socket. */
function socketLines(run: Forecast, within: Span): SumLine[] {
  const { packs, load } = run;
  const { socket } = packs[0];
  if (!socket) return [];
  const { edgesMs, cellsV } = run.march;
  let ampereHours = 0;
  for (let step = 0; step < cellsV.length; step++) {
    const part = overlap({ startMs: edgesMs[step], endMs: edgesMs[step + 1] }, within);
    if (!part) continue;
    const { amps, watts } = load.mean;
    ampereHours += packCurrent(packs[0], amps[step], watts[step], cellsV[step]) * hoursOf(part);
  }
  const volts = meanVolts(run, [within]);
  return [
    {
      label: 'out of its cells',
      terms: [
        '(at the socket × ',
        q(socket.volts, 'V'),
        ' ÷ ',
        q(socket.efficiency, 'factor'),
        ' + ',
        q(socket.idleW, 'W'),
        ' × ',
        q(hoursOf(within), 'h'),
        ') ÷ ',
        q(volts, 'V'),
      ],
      result: q(ampereHours, 'Ah'),
    },
  ];
}

/** Mean volts of the cells over some stretches, as watts are turned into amps: the harmonic mean. */
function meanVolts({ march }: Forecast, parts: readonly Span[]): number {
  let hours = 0;
  let perVolt = 0;
  for (const part of parts) {
    const first = Math.max(0, firstStepFrom(march.edgesMs, part.startMs) - 1);
    for (let step = first; step < march.cellsV.length && march.edgesMs[step] < part.endMs; step++) {
      const inside = overlap({ startMs: march.edgesMs[step], endMs: march.edgesMs[step + 1] }, part);
      if (!inside) continue;
      hours += hoursOf(inside);
      perVolt += hoursOf(inside) / march.cellsV[step];
    }
  }
  return perVolt > 0 ? hours / perVolt : march.cellsV[0];
}
