import { inject, Injectable, signal } from '@angular/core';
import { REQUIREMENTS_ID, type Requirement, type RequirementsDocument } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from './api.service';

/** What the next build must do, as it is kept: for rooms that only read it. */
@Injectable({ providedIn: 'root' })
export class RequirementsService {
  private readonly api = inject(ApiService);
  private readonly list = signal<readonly Requirement[]>([]);
  readonly requirements = this.list.asReadonly();

  /** Asks for it anew; what is known stays where the server is away. */
  async load(): Promise<void> {
    try {
      const kept = await firstValueFrom(
        this.api.beside<RequirementsDocument>('requirements', REQUIREMENTS_ID),
      );
      this.list.set(kept?.document.requirements ?? []);
    } catch {
      // Nothing is held against a list that nobody can read now; the Logbook says that the server is away.
    }
  }
}
