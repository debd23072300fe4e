/** A stream of the server that says what it is told to, in the place of the browser's own. */
export class HeardStream {
  /** The one that was opened last, and how many were. */
  static last: HeardStream | null = null;
  static opened = 0;
  isClosed = false;
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();

  constructor(readonly address: string) {
    HeardStream.last = this;
    HeardStream.opened += 1;
  }

  addEventListener(name: string, listener: (event: { data: string }) => void): void {
    this.listeners.set(name, listener);
  }

  close(): void {
    this.isClosed = true;
  }

  /** A word of the address. */
  asked(name: string): string | null {
    return new URL(this.address, location.href).searchParams.get(name);
  }

  line(data: string): void {
    if (!this.isClosed) this.onmessage?.({ data });
  }

  tell(name: string, data: unknown = null): void {
    if (!this.isClosed) this.listeners.get(name)?.({ data: JSON.stringify(data) });
  }

  fail(): void {
    this.onerror?.();
  }
}

/** In a describe: streams of the server are those that say what they are told to. */
export function withHeardStreams(): () => HeardStream {
  const real = globalThis.EventSource;
  beforeEach(() => {
    globalThis.EventSource = HeardStream as unknown as typeof EventSource;
    HeardStream.last = null;
    HeardStream.opened = 0;
  });
  afterEach(() => {
    globalThis.EventSource = real;
  });
  return () => HeardStream.last!;
}
