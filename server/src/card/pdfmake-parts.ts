import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);

/** A part of pdfmake by its file, for what it offers no other way to do. */
export const partOf = (name: string) =>
  (require(`pdfmake/js/${name}.js`) as { readonly default: { readonly prototype: Record<string, unknown> } })
    .default.prototype;

/** A method of a part; another release may have none of that name, which must be seen at once. */
export function methodOf<Method>(part: Record<string, unknown>, name: string): Method {
  if (typeof part[name] !== 'function')
    throw new Error(`This pdfmake has no ${name}: the card cannot be made.`);
  return part[name] as Method;
}
