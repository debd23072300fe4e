/// <reference lib="webworker" />
// All work but the forecast itself, in one script, so that the browser loads and keeps it once. Each worker does one kind, by its name.
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
import { tripLineWork } from './trip-line-work';
import { whatIfWork } from './what-if-work';
import { wireWork } from './wire-work';

/** Made where its kind is wanted: a kit worker keeps what it has resolved. */
const KINDS: Readonly<Record<WorkKind, () => (event: MessageEvent) => void>> = {
  begin: () => answering(beginWork),
  card: () => answering(cardWork),
  chance: () => answering(chanceWork),
  contacts: () => answering(contactsWork),
  debrief: () => answering(debriefWork),
  field: () => answering(fieldWork),
  fieldRation: () => answering(fieldRationWork),
  held: () => answering(heldWork),
  ideal: () => answering(idealWork),
  kit: () => {
    const kits = new KitWorker();
    return ({ data }: MessageEvent<ToKitWorker>) => postMessage(kits.answer(data));
  },
  nextPlans: () => answering(nextPlansWork),
  outing: () => answering(outingWork),
  pack: () => answering(packingWork),
  radioNeeds: () => answering(radioNeedsWork),
  ration: () => answering(rationWork),
  readings: () => answering(readingsWork),
  tripLine: () => answering(tripLineWork),
  whatIf: () => answering(whatIfWork),
  wire: () => answering(wireWork),
};

const { kind, habits } = JSON.parse(self.name) as WorkerName & { kind: WorkKind };
speakIn(habits);
addEventListener('message', KINDS[kind]());
