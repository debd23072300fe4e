import { browserMemory } from '../shell/browser-memory';
/** What was chosen last in this browser, over what is usual; what cannot be read is left. */
export function kept<Options extends object>(name: string, usual: Options): Options {
  try {
    const text = browserMemory.read(name);
    const value: unknown = text === null ? null : JSON.parse(text);
    return typeof value === 'object' && value !== null ? { ...usual, ...value } : usual;
  } catch {
    return usual;
  }
}

export function keep(name: string, options: object): void {
  browserMemory.write(name, JSON.stringify(options));
}
