import { computed, signal } from '@angular/core';
import type { Stored } from '@knapsack/contract';
import { mergeBeside } from '@knapsack/contract/edits';
import { firstValueFrom, type Observable } from 'rxjs';
import type { From } from '../data/api.service';
import { Autosave, type SaveState, type Saving } from './autosave';
import { sameDraft, type DraftBox, type Identified } from './draft-box';

/** What is ticked or read of the trip in hand: a document of its own beside it, saved by itself and never in conflict. */
export class Beside<Document extends Identified> {
  private readonly content = signal<Document | null>(null);
  private readonly autosave = signal<Autosave<Document> | null>(null);
  readonly document = this.content.asReadonly();
  readonly saving = computed<SaveState>(() => this.autosave()?.state() ?? { is: 'saved' });

  constructor(
    private readonly box: DraftBox<Document>,
    private readonly empty: (id: string) => Document,
    private readonly read: (id: string, from: From) => Observable<Stored<Document>>,
    private readonly save: Saving<Document>['save'],
  ) {}

  /** Opens that of a trip, with what was left unsaved; where the server is away, with what this browser has. */
  async open(id: string): Promise<void> {
    const left = await this.box.left(id);
    const last = left.at(-1);
    const stored = await firstValueFrom(this.read(id, 'device too')).catch(() => ({
      revision: last?.revision ?? 0,
      document: last?.base ?? this.empty(id),
    }));
    this.stop();
    const autosave = new Autosave<Document>(stored.revision, stored.document, {
      box: this.box,
      save: this.save,
      read: () => this.read(id, 'server'),
      bringTogether: (base, mine, theirs) => {
        const both = mergeBeside(base, mine, theirs);
        this.content.set(both);
        return both;
      },
    });
    this.autosave.set(autosave);
    const document = left.reduce(
      (theirs, draft) => mergeBeside(draft.base ?? stored.document, draft.document, theirs),
      stored.document,
    );
    this.content.set(document);
    if (!sameDraft(document, stored.document)) autosave.changed(document);
    else this.box.drop(id);
    // What was left is kept by this tab now, or saved.
    for (const { key } of left) this.box.release(id, key);
  }

  change(change: (document: Document) => Document): void {
    const before = this.content();
    if (!before) return;
    const document = change(before);
    if (document === before) return;
    this.content.set(document);
    this.autosave()?.changed(document);
  }

  /** Takes in what stood in a version of the trip that an earlier release had left unsaved. */
  takeIn(theirs: Document | null): void {
    if (theirs) this.change((mine) => mergeBeside(this.empty(mine.id), mine, theirs));
  }

  /** Takes up what another tab has saved meanwhile, unless something is unsaved here. */
  async refresh(): Promise<void> {
    const [document, autosave] = [this.content(), this.autosave()];
    if (!document || !autosave || autosave.hasUnsaved) return;
    const stored = await firstValueFrom(this.read(document.id, 'server'));
    if (autosave.hasUnsaved || stored.revision === autosave.knownRevision) return;
    autosave.adopt(stored.revision, stored.document);
    this.content.set(stored.document);
  }

  /** Saves at once what waits, and ends. */
  close(): void {
    void this.autosave()?.flush();
    this.stop();
  }

  private stop(): void {
    this.autosave()?.stop();
  }
}
