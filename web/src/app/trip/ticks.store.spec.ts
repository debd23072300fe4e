import { TestBed } from '@angular/core/testing';
import { noNotes, type DebriefNotes } from '@knapsack/contract';
import { tick } from '@knapsack/contract/edits';
import { ApiService } from '../data/api.service';
import { BesideInMemory } from './testing/beside-in-memory';
import { debriefDrafts, packingDrafts, rehearsalDrafts, TicksStore } from './ticks.store';

describe('what is ticked, read and made of a trip', () => {
  let server: BesideInMemory;
  let ticks: TicksStore;
  const boxes = [packingDrafts, rehearsalDrafts, debriefDrafts];
  const forget = () => {
    for (const box of boxes) box.drop('islet');
    localStorage.clear();
  };

  beforeEach(async () => {
    forget();
    server = new BesideInMemory();
    TestBed.configureTestingModule({
      providers: [
        TicksStore,
        {
          provide: ApiService,
          useValue: {
            keepBeside: server.keepBeside,
            beside: (kind: 'debriefs' | 'packings', id: string) =>
              kind === 'debriefs' && !server.stored(kind, id)
                ? new BesideInMemory().beside<DebriefNotes>(kind, id)
                : server.beside(kind, id),
          },
        },
      ],
    });
    ticks = TestBed.inject(TicksStore);
    await ticks.open('islet');
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    forget();
  });
  const saved = async () => {
    for (let tries = 0; tries < 500 && ticks.saving().some(({ is }) => is !== 'saved'); tries++)
      await new Promise((done) => setTimeout(done, 10));
    expect(ticks.saving().map(({ is }) => is)).toEqual(['saved', 'saved', 'saved']);
  };

  it('is nothing until something is ticked, and each is saved by itself', async () => {
    expect([ticks.packed().size, ticks.results(), ticks.failing()]).toEqual([0, [], false]);
    expect(ticks.debrief.document()).toBeNull();
    ticks.packing.change((now) => tick(now, 'shale'));
    expect([...ticks.packed()]).toEqual(['shale']);
    expect(ticks.saving().map(({ is }) => is)).not.toEqual(['saved', 'saved', 'saved']);
    await saved();
    expect(server.stored('packings', 'islet')).not.toBeNull();
    expect(server.stored('rehearsals', 'islet')).toBeNull();
  });

  it('has its notes once the room that shows them has opened them', async () => {
    await ticks.debrief.open('islet');
    expect(ticks.debrief.document()?.id).toBe('islet');
    server.put('debriefs', { ...noNotes('islet'), left: [{ correction: 'a' }] } as never);
    await ticks.refresh();
    expect(ticks.debrief.document()?.left).toEqual([{ correction: 'a' }]);
  });

  it('takes up all that another tab has saved', async () => {
    server.put('packings', tick({ ...ticks.packing.document()! }, 'curlew'));
    server.put('rehearsals', { ...ticks.rehearsal.document()!, results: [{ step: 'a' }] } as never);
    await ticks.refresh();
    expect([...ticks.packed()]).toEqual(['curlew']);
    expect(ticks.results()).toEqual([{ step: 'a' }] as never);
  });

  it('says where this browser keeps nothing of what is not saved, of whichever it is', () => {
    for (const box of boxes) {
      expect(ticks.failing()).toBeFalse();
      box.failing.set(true);
      expect(ticks.failing()).toBeTrue();
      box.failing.set(false);
    }
  });

  it('is saved at once where it is left', () => {
    ticks.packing.change((now) => tick(now, 'shale'));
    expect(server.stored('packings', 'islet')).toBeNull();
    TestBed.resetTestingModule();
    expect(server.stored('packings', 'islet')).not.toBeNull();
  });
});
