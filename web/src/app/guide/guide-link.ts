/** Chapters of the guide by the first part of an address, and by the room of a trip. */
const HALLS: ReadonlyMap<string, string> = new Map([
  ['', 'begin'],
  ['begin', 'begin'],
  ['sum', 'quick-sum'],
  ['gear', 'gear'],
  ['logbook', 'logbook'],
  ['bench', 'bench'],
  ['backup', 'settings'],
  ['settings', 'settings'],
]);
const ROOMS: ReadonlySet<string> = new Set(['size', 'wire', 'pack', 'rehearse', 'card', 'field', 'debrief']);

/** The chapter that tells of the page at an address: "/trips/gannet-rock-light/wire" has "wire". */
export function chapterFor(url: string): string {
  const [first = '', , room = ''] = url.split(/[?#]/)[0].split('/').slice(1);
  if (first === 'trips') return ROOMS.has(room) ? room : 'plan';
  return HALLS.get(first) ?? 'begin';
}
