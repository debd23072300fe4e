import { HttpErrorResponse } from '@angular/common/http';
import { noResults, noTicks, type Stored } from '@knapsack/contract';
import { of, throwError, type Observable } from 'rxjs';
import type { ApiService, BesideKind } from '../../data/api.service';

interface Identified {
  readonly id: string;
}

/** The server's part of what stands beside trips, in memory: it refuses what does not name the revision that it has. */
export class BesideInMemory {
  private readonly documents = new Map<string, Stored<Identified>>();
  /** The status of a write that it cannot do. */
  failsWith: number | null = null;
  /** What others do just before each write that comes, one after the other. */
  readonly meanwhile: (() => void)[] = [];

  constructor(private readonly reachable: () => boolean = () => true) {}

  stored(kind: BesideKind, id: string): object | null {
    return this.documents.get(`${kind}/${id}`)?.document ?? null;
  }

  /** As another tab would write it. */
  put(kind: BesideKind, document: Identified): void {
    const key = `${kind}/${document.id}`;
    this.documents.set(key, { revision: (this.documents.get(key)?.revision ?? 0) + 1, document });
  }

  remove(kind: BesideKind, id: string): void {
    this.documents.delete(`${kind}/${id}`);
  }

  readonly beside = ((kind: BesideKind, id: string) =>
    this.answer(
      () =>
        this.documents.get(`${kind}/${id}`) ?? {
          revision: 0,
          document: kind === 'packings' ? noTicks(id) : noResults(id),
        },
    )) as ApiService['beside'];

  readonly keepBeside = ((kind: BesideKind, document: Identified, revision: number) => {
    this.meanwhile.shift()?.();
    const known = this.documents.get(`${kind}/${document.id}`)?.revision ?? 0;
    const refused = this.failsWith ?? (known === revision ? null : known === 0 ? 404 : 412);
    if (refused !== null) return throwError(() => new HttpErrorResponse({ status: refused }));
    return this.answer(() => {
      this.put(kind, document);
      return this.documents.get(`${kind}/${document.id}`)!;
    });
  }) as ApiService['keepBeside'];

  private answer<T>(give: () => T): Observable<T> {
    return this.reachable() ? of(give()) : throwError(() => new HttpErrorResponse({ status: 0 }));
  }
}
