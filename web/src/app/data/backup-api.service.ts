import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { BackupLook, DataCopies, DifferentChoice, FileCheck, Restored } from '@knapsack/contract';
import type { Observable } from 'rxjs';

/** Where a restore comes from: a file of the user's, or a copy that the server has made. */
export type RestoreSource = { readonly file: File } | { readonly copy: string };

const ZIP_HEADERS = { 'Content-Type': 'application/zip' };

/** Everything in and out as one file, and the server's own copies. */
@Injectable({ providedIn: 'root' })
export class BackupApi {
  private readonly http = inject(HttpClient);

  /** What a restore would do. Changes nothing. */
  look(source: RestoreSource): Observable<BackupLook> {
    return this.http.post<BackupLook>(`${address(source)}/look`, bodyOf(source), { headers: ZIP_HEADERS });
  }

  restore(source: RestoreSource, different: DifferentChoice): Observable<Restored> {
    return this.http.post<Restored>(`${address(source)}/restore`, bodyOf(source), {
      headers: ZIP_HEADERS,
      params: { different },
    });
  }

  copies(): Observable<DataCopies> {
    return this.http.get<DataCopies>('/api/backup/copies');
  }

  check(): Observable<FileCheck> {
    return this.http.post<FileCheck>('/api/backup/check', null);
  }
}

const address = (source: RestoreSource): string =>
  'copy' in source ? `/api/backup/copies/${source.copy}` : '/api/backup';
const bodyOf = (source: RestoreSource): File | null => ('file' in source ? source.file : null);
