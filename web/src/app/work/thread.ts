import type { Hired } from './head-start';
import type { Dropped } from './newest-worker';
import type { Fault } from './seat';

/** Asks a worker for a desk of a kind of work; what is said there goes through the port that comes with it. */
export interface DeskWanted<Kind extends string> {
  readonly desk: Kind;
}

interface Crew {
  readonly name: string;
  readonly worker: Worker;
  readonly desks: Set<Desk>;
}

/**
 * One worker in which several kinds of work have a desk each: workers of their own would each load, compile and warm the same
 * half megabyte. Work in parts lets the others in between; a fault at one desk is told there alone. The worker is let go with
 * its last desk.
 */
export class Thread<Kind extends string> {
  private crew: Crew | null = null;

  /**
   * @param nameOf what a worker hired now is told by its name: where that has changed, the next desk is of another worker
   * @param hire a worker of that name
   */
  constructor(
    private readonly nameOf: () => string,
    private readonly hire: (name: string) => Worker,
  ) {}

  desk(kind: Kind): Hired {
    const name = this.nameOf();
    const crew = this.crew?.name === name ? this.crew : this.hireCrew(name);
    this.crew = crew;
    const { port1: here, port2: there } = new MessageChannel();
    crew.worker.postMessage({ desk: kind } satisfies DeskWanted<Kind>, [there]);
    const desk = new Desk(here, () => {
      crew.desks.delete(desk);
      if (crew.desks.size === 0) this.letGo(crew);
    });
    crew.desks.add(desk);
    return desk;
  }

  private hireCrew(name: string): Crew {
    const crew: Crew = { name, worker: this.hire(name), desks: new Set() };
    crew.worker.onerror = (event) => {
      event.preventDefault();
      this.letGo(crew);
      for (const desk of [...crew.desks]) desk.fail(event);
    };
    return crew;
  }

  private letGo(crew: Crew): void {
    crew.worker.terminate();
    if (this.crew === crew) this.crew = null;
  }
}

/** To whoever hired it, a worker like all others. */
class Desk implements Hired {
  onmessage: Hired['onmessage'] = null;
  onerror: Hired['onerror'] = null;

  constructor(
    private readonly port: MessagePort,
    private readonly left: () => void,
  ) {
    port.onmessage = (event: MessageEvent<Fault | object>) => {
      if ('fault' in event.data)
        this.fail(new ErrorEvent('error', { message: event.data.fault, cancelable: true }));
      else this.onmessage?.call(this as unknown as Worker, event);
    };
  }

  postMessage(message: unknown): void {
    this.port.postMessage(message);
  }

  terminate(): void {
    // Others may be at work in the same worker: what goes on here stops at its next look.
    this.port.postMessage({ number: Infinity, question: null } satisfies Dropped);
    this.port.close();
    this.left();
  }

  fail(event: ErrorEvent): void {
    this.onerror?.call(this as unknown as Worker, event);
  }
}
