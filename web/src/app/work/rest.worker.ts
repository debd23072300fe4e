/// <reference lib="webworker" />
// All work but the forecast itself, in one script, so that the browser loads and keeps it once. A worker does one kind, by its name,
// or is a thread, of several kinds at a desk each.
import { KitWorker, type ToKitWorker } from '@knapsack/contract/size';
import { speakIn } from '@knapsack/core';
import { answering } from './answering';
import { beginWork } from './begin-work';
import { cardWork } from './card-work';
import { chanceWork } from './chance-work';
import { contactsWork } from './contacts-work';
import { debriefWork } from './debrief-work';
import { fieldWork } from './field-work';
import { fieldRationWork } from './field-ration-work';
import type { WorkerName, WorkKind } from './hire';
import { heldWork } from './held-work';
import { idealWork } from './ideal-work';
import { nextPlansWork } from './next-plans-work';
import { outingWork } from './outing-work';
import { packingWork } from './pack-work';
import { radioNeedsWork } from './radio-needs-work';
import { rationWork } from './ration-work';
import { readingsWork } from './readings-work';
import { seatAt, WHOLE_WORKER, type Seat } from './seat';
import type { DeskWanted } from './thread';
import { tripLineWork } from './trip-line-work';
import { whatIfWork } from './what-if-work';
import { wireWork } from './wire-work';

/** Made where its kind is wanted: a kit worker keeps what it has resolved. */
const KINDS: Readonly<Record<WorkKind, (seat: Seat) => (event: MessageEvent) => void>> = {
  begin: (seat) => answering(beginWork, seat),
  card: (seat) => answering(cardWork, seat),
  chance: (seat) => answering(chanceWork, seat),
  contacts: (seat) => answering(contactsWork, seat),
  debrief: (seat) => answering(debriefWork, seat),
  field: (seat) => answering(fieldWork, seat),
  fieldRation: (seat) => answering(fieldRationWork, seat),
  held: (seat) => answering(heldWork, seat),
  ideal: (seat) => answering(idealWork, seat),
  kit: (seat) => {
    const kits = new KitWorker();
    return ({ data }: MessageEvent<ToKitWorker>) => seat.say(kits.answer(data));
  },
  nextPlans: (seat) => answering(nextPlansWork, seat),
  outing: (seat) => answering(outingWork, seat),
  pack: (seat) => answering(packingWork, seat),
  radioNeeds: (seat) => answering(radioNeedsWork, seat),
  ration: (seat) => answering(rationWork, seat),
  readings: (seat) => answering(readingsWork, seat),
  tripLine: (seat) => answering(tripLineWork, seat),
  whatIf: (seat) => answering(whatIfWork, seat),
  wire: (seat) => answering(wireWork, seat),
};

const { kind, habits } = JSON.parse(self.name) as WorkerName & { kind: WorkKind | 'thread' };
speakIn(habits);
addEventListener(
  'message',
  kind === 'thread'
    ? ({ data: { desk }, ports: [port] }: MessageEvent<DeskWanted<WorkKind>>) => {
        port.onmessage = KINDS[desk](seatAt(port));
      }
    : KINDS[kind](WHOLE_WORKER),
);
