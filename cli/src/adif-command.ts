import { Command } from 'commander';
import { readAdif, type AdifRead } from '@knapsack/contract/formats';
import {
  CALLING_SHARE,
  dutyOfContacts,
  fixed,
  onAir,
  secondsSent,
  stretchesOf,
  type Mode,
  type OnAir,
} from '@knapsack/core';
import { readText } from './read-json.js';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';

interface Options {
  calling?: true;
  json?: boolean;
}

/** knapsack adif: what a contact log tells of the hours on the air, and of the transmit duty cycle. */
export function adifCommand(terminal: Terminal): Command {
  return new Command('adif')
    .description(
      'What a contact log in ADIF tells: hours on the air, pauses, contacts an hour, and the duty cycle.',
    )
    .argument('<FILE.adi>', 'a contact log in ADIF')
    .option('--calling', 'between contacts the operator calls, a third of the time')
    .option('--json', 'print it as JSON')
    .action((file: string, { calling, json }: Options) => {
      const read = taken(file, readAdif(readText(file)));
      const told = onAir(stretchesOf(read.contacts));
      const share = calling ? CALLING_SHARE : 0;
      terminal.out(json ? `${JSON.stringify(asJson(read, told, share))}\n` : inWords(read, told, share));
    });
}

/** Null where the contacts tell no rate, or no rule knows the mode. */
function dutyIn(told: OnAir, name: string, share: number) {
  const perHour = told.byMode.get(name)?.perHour ?? null;
  const seconds = secondsSent(name as Mode);
  return perHour === null || seconds === null ? null : dutyOfContacts(perHour, seconds, share);
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

function asJson({ leftOut }: AdifRead, told: OnAir, share: number) {
  return {
    contacts: told.contacts,
    hoursOnAir: told.hours,
    pauses: told.pauses.map(({ startMs, endMs }) => ({ from: iso(startMs), to: iso(endMs) })),
    byMode: Object.fromEntries(
      [...told.byMode].map(([name, worked]) => [name, { ...worked, dutyCycle: dutyIn(told, name, share) }]),
    ),
    byBand: Object.fromEntries(told.byBand),
    leftOut,
  };
}

function inWords({ leftOut }: AdifRead, told: OnAir, share: number): string {
  const lines = [
    `${told.contacts} contacts in ${fixed(told.hours, 1)} h on the air, ${told.pauses.length === 1 ? '1 pause' : `${told.pauses.length} pauses`}.`,
    ...[...told.byMode].map(([name, { contacts, perHour }]) => {
      const rate = perHour === null ? '' : `, ${fixed(perHour, 1)} an hour`;
      const duty = dutyIn(told, name, share);
      const cycle = duty
        ? `: duty cycle ${fixed(100 * duty.mean, 0)} % (${fixed(100 * (duty.mean - duty.sd), 0)} to ${fixed(100 * (duty.mean + duty.sd), 0)})`
        : '';
      return `${name === '' ? 'mode not noted' : name}: ${contacts}${rate}${cycle}.`;
    }),
    ...leftOut.map(({ contact, why }) => `Left out: contact ${contact} ${why}.`),
  ];
  return `${lines.join('\n')}\n`;
}
