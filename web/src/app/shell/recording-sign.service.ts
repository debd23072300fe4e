import { Injectable, signal } from '@angular/core';

/** Whether the bench is recording, for the rail to show in every room. */
@Injectable({ providedIn: 'root' })
export class RecordingSign {
  readonly on = signal(false);
}
