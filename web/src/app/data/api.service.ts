import { HttpClient, type HttpResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Gear, Stored, Trip, TripSummary } from '@knapsack/contract';
import { map, type Observable } from 'rxjs';

const JSON_HEADERS = { 'Content-Type': 'application/json' };

/** The server's documents, each with the revision that the next write must name. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);

  trips(): Observable<readonly TripSummary[]> {
    return this.http.get<readonly TripSummary[]>('/api/trips');
  }

  trip(id: string): Observable<Stored<Trip>> {
    return this.http.get<Trip>(`/api/trips/${id}`, { observe: 'response' }).pipe(map(stored));
  }

  createTrip(trip: Trip): Observable<Stored<Trip>> {
    return this.http
      .post<Trip>('/api/trips', trip, { observe: 'response', headers: JSON_HEADERS })
      .pipe(map(stored));
  }

  replaceTrip(trip: Trip, revision: number): Observable<Stored<Trip>> {
    return this.http
      .put<Trip>(`/api/trips/${trip.id}`, trip, {
        observe: 'response',
        headers: { ...JSON_HEADERS, ...ifMatch(revision) },
      })
      .pipe(map(stored));
  }

  deleteTrip(id: string, revision: number): Observable<void> {
    return this.http.delete<void>(`/api/trips/${id}`, { headers: ifMatch(revision) });
  }

  gear(): Observable<readonly Stored<Gear>[]> {
    return this.http.get<readonly Stored<Gear>[]>('/api/gear');
  }

  createGear(gear: Gear): Observable<Stored<Gear>> {
    return this.http
      .post<Gear>('/api/gear', gear, { observe: 'response', headers: JSON_HEADERS })
      .pipe(map(stored));
  }

  replaceGear(gear: Gear, revision: number): Observable<Stored<Gear>> {
    return this.http
      .put<Gear>(`/api/gear/${gear.id}`, gear, {
        observe: 'response',
        headers: { ...JSON_HEADERS, ...ifMatch(revision) },
      })
      .pipe(map(stored));
  }

  /** Puts the demo documents that are not there yet beside the user's own. */
  loadDemo(): Observable<void> {
    return this.http.post<void>('/api/demo', null);
  }
}

const ifMatch = (revision: number) => ({ 'If-Match': `"${revision}"` });

function stored<Document>(response: HttpResponse<Document>): Stored<Document> {
  const revision = Number((response.headers.get('ETag') ?? '').replace(/^W\//, '').replaceAll('"', ''));
  return { revision, document: response.body as Document };
}
