/** Whether two values are the same JSON, whatever the order of their fields. */
export function sameDocument(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [one, other] = [defined(a), defined(b)];
  return (
    one.length === other.length &&
    one.every(
      ([key, value]) => Object.hasOwn(b, key) && sameDocument(value, (b as Record<string, unknown>)[key]),
    )
  );
}

const defined = (value: object) => Object.entries(value).filter(([, inside]) => inside !== undefined);
