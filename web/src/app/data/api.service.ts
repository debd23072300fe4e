import { HttpClient, HttpContext, type HttpResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  along,
  type DryRunMade,
  type Gear,
  type InstrumentView,
  type LogbookLine,
  type LogDocument,
  type LogEntry,
  type NewInstrument,
  type PackingDocument,
  type ReachView,
  type RehearsalDocument,
  type ShelfImport,
  type Stored,
  type Trip,
  type TripFileChoice,
  type TripFileLook,
  type TripSummary,
  type Waypoint,
  type WeatherDocument,
  type WeatherReading,
} from '@knapsack/contract';
import type { DryRunSetup } from '@knapsack/contract/field';
import { forkJoin, map, type Observable } from 'rxjs';
import type { CardPdfQuestion, SetAside, TripFormat, WeatherQuestion } from './api-questions';
import type { StoredOuting } from './stored-outing';
import { DEVICE_MAY_ANSWER, KEPT_AT, STAYS } from './kept-answers.interceptor';

/** Who may answer: the server alone, or this device in its place where it is away. */
export type From = 'server' | 'device too';

const JSON_HEADERS = { 'Content-Type': 'application/json' };

/** Collections of what stands beside trips. */
export type BesideKind = 'packings' | 'rehearsals' | 'debriefs' | 'requirements';

/** The server's documents, each with the revision that the next write must name. */
@Injectable({ providedIn: 'root' })
export class ApiService {
  private readonly http = inject(HttpClient);

  trips(): Observable<readonly TripSummary[]> {
    return this.http.get<readonly TripSummary[]>('/api/trips');
  }

  /** Plays an outing by simulated instruments. */
  beginDryRun(
    trip: string,
    run: DryRunSetup & { readonly entries: readonly LogEntry[] },
  ): Observable<DryRunMade> {
    return this.http.post<DryRunMade>(`/api/dry-runs/${trip}`, run);
  }

  trip(id: string, from: From = 'server'): Observable<Answered<Trip>> {
    return this.http
      .get<Trip>(`/api/trips/${id}`, { observe: 'response', context: by(from) })
      .pipe(map(stored));
  }

  /** A trip that nobody opens: it does not stay on this device for that. */
  tripInPassing(id: string): Observable<Stored<Trip>> {
    const context = by('device too').set(STAYS, false);
    return this.http.get<Trip>(`/api/trips/${id}`, { observe: 'response', context }).pipe(map(stored));
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

  /** What is ticked or read of a trip; empty, and of revision 0, where nothing ever was. */
  beside<Document>(kind: BesideKind, id: string, from: From = 'server'): Observable<Stored<Document>> {
    return this.http
      .get<Document>(`/api/${kind}/${id}`, { observe: 'response', context: by(from) })
      .pipe(map(stored));
  }

  /** Writes what is ticked or read of a trip over its revision; of revision 0 there is none yet. */
  keepBeside<Document extends { readonly id: string }>(
    kind: BesideKind,
    document: Document,
    revision: number,
  ): Observable<Stored<Document>> {
    return this.http
      .put<Document>(`/api/${kind}/${document.id}`, document, {
        observe: 'response',
        headers: { ...JSON_HEADERS, ...ifMatch(revision) },
      })
      .pipe(map(stored));
  }

  /** What was read, seen and done during the outing of a trip; empty where nothing was. */
  log(trip: string, from: From = 'server'): Observable<LogDocument> {
    return this.http.get<LogDocument>(`/api/logs/${trip}`, { context: by(from) });
  }

  /** Joins the entries of a log with those that the server has; it says what is wrong with anything else. @returns all of them */
  addToLog(trip: string, log: unknown): Observable<LogDocument> {
    return this.http.post<LogDocument>(`/api/logs/${trip}`, log, { headers: JSON_HEADERS });
  }

  /** The outings that something is known of. */
  logbook(): Observable<readonly LogbookLine[]> {
    return this.http.get<readonly LogbookLine[]>('/api/logbook');
  }

  /** All that is stored of one. */
  outing(trip: string): Observable<StoredOuting> {
    return this.http.get<StoredOuting>(`/api/logbook/${trip}`);
  }

  /** A trip together with what is ticked and read of it, as one document. */
  wholeTrip(id: string): Observable<Stored<Trip>> {
    return forkJoin({
      trip: this.trip(id),
      packing: this.beside<PackingDocument>('packings', id),
      rehearsal: this.beside<RehearsalDocument>('rehearsals', id),
    }).pipe(
      map(({ trip: { revision, document: trip }, packing, rehearsal }) => ({
        revision,
        document: along({ trip, packing: packing.document, rehearsal: rehearsal.document }),
      })),
    );
  }

  /** A trip as a file that others read: standing alone with its gear, as a calendar, or its place. */
  tripAs(id: string, as: TripFormat): Observable<Blob> {
    const path = as === 'file' || as === 'calendar' ? as : `place?as=${as}`;
    return this.http.get(`/api/trips/${id}/${path}`, { responseType: 'blob' });
  }

  /** How a trip out of a file, and the gear in it, stand to what is here. Changes nothing. */
  lookAtTripFile(trip: Trip): Observable<TripFileLook> {
    return this.http.post<TripFileLook>('/api/trips/file/look', trip, { headers: JSON_HEADERS });
  }

  takeTripFile(trip: Trip, choice: TripFileChoice): Observable<{ id: string; revision: number }> {
    return this.http.post<{ id: string; revision: number }>(
      '/api/trips/file',
      { trip, choice },
      { headers: JSON_HEADERS },
    );
  }

  /** The points of a GPX or GeoJSON file's text. */
  readPlaces(content: string): Observable<readonly Waypoint[]> {
    return this.http.post<readonly Waypoint[]>('/api/places', { content }, { headers: JSON_HEADERS });
  }

  deleteTrip(id: string, revision: number): Observable<void> {
    return this.http.delete<void>(`/api/trips/${id}`, { headers: ifMatch(revision) });
  }

  gear(): Observable<readonly Stored<Gear>[]> {
    return this.http.get<readonly Stored<Gear>[]>('/api/gear', { context: by('device too') });
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

  /** The field card of a trip as a PDF of one page. */
  fieldCard(question: CardPdfQuestion): Observable<Blob> {
    return this.http.post('/api/card', question, { headers: JSON_HEADERS, responseType: 'blob' });
  }

  /** What the simulated weather service says of a place and its hours. */
  simulatedWeather(ask: WeatherQuestion): Observable<WeatherDocument> {
    const { latitudeDeg, longitudeDeg, heightM, start, end, climate } = ask;
    const params = {
      latitude: latitudeDeg,
      longitude: longitudeDeg,
      height: heightM,
      from: start,
      to: end,
      climate,
    };
    return this.http.get<WeatherDocument>('/api/weather', { params });
  }

  /** A weather document out of a forecast file's text. */
  readWeather(content: string, zone: string): Observable<WeatherReading> {
    return this.http.post<WeatherReading>('/api/weather', { content, zone }, { headers: JSON_HEADERS });
  }

  /** Gear out of a shelf file's text, what is new of it put on the shelf. */
  importShelf(content: string): Observable<ShelfImport> {
    return this.http.post<ShelfImport>('/api/shelf', { content }, { headers: JSON_HEADERS });
  }

  /** What stands in the data file and cannot be handed out. */
  setAside(): Observable<readonly SetAside[]> {
    return this.http.get<readonly SetAside[]>('/api/set-aside');
  }

  deleteSetAside(kind: SetAside['kind'], id: string, revision: number): Observable<void> {
    return this.http.delete<void>(`/api/${kind}/${id}`, { headers: ifMatch(revision) });
  }

  /** How Knapsack is reached from other devices, and by which. */
  reach(): Observable<ReachView> {
    return this.http.get<ReachView>('/api/reach');
  }

  /** A device reads and sends nothing any more; the one that asks takes its leave. */
  sendAway(id: string): Observable<void> {
    return this.http.delete<void>(`/api/reach/devices/${id}`);
  }

  /** Instruments that may send lines. */
  instruments(): Observable<readonly InstrumentView[]> {
    return this.http.get<readonly InstrumentView[]>('/api/instruments');
  }

  /** Lets an instrument send lines; its token is told this once. */
  makeInstrument(name: string): Observable<NewInstrument> {
    return this.http.post<NewInstrument>('/api/instruments', { name }, { headers: JSON_HEADERS });
  }

  removeInstrument(id: string): Observable<void> {
    return this.http.delete<void>(`/api/instruments/${id}`);
  }

  /** Puts the demo documents that are not there yet beside the user's own. */
  loadDemo(): Observable<void> {
    return this.http.post<void>('/api/demo', null);
  }
}

/** What the server has of a document, or had: then when it was so, UTC epoch ms. */
export interface Answered<Document> extends Stored<Document> {
  readonly keptAtMs: number | null;
}

const by = (from: From): HttpContext => new HttpContext().set(DEVICE_MAY_ANSWER, from === 'device too');

const ifMatch = (revision: number) => ({ 'If-Match': `"${revision}"` });

function stored<Document>(response: HttpResponse<Document>): Answered<Document> {
  const revision = Number((response.headers.get('ETag') ?? '').replace(/^W\//, '').replaceAll('"', ''));
  const keptAt = response.headers.get(KEPT_AT);
  return { revision, document: response.body as Document, keptAtMs: keptAt === null ? null : Number(keptAt) };
}
