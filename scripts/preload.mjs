// The page's first scripts, named in its index, and those of each page by its address: the browser asks for all of them at once rather
// than for what each finds it needs.
import { createHash } from 'node:crypto';
import { neededBy, pagesIn, scriptWith, TRIP } from './pages.mjs';

/** An address as a pattern: a word after a colon stands for any; what may come below it, where it has rooms. */
export const patternOf = (path, hasRooms = false) =>
  `^/${path.replace(/:\w+/g, '[^/]+')}${hasRooms ? '(/|$)' : path === '' ? '$' : '/?$'}`;

/** Each page's address and the scripts that it needs beside the first ones. */
export function scriptsByAddress(stats, first, { routes, rooms }) {
  const more = (source) => [...neededBy(stats, scriptWith(stats, source))].filter((name) => !first.has(name));
  return [
    ...pagesIn(routes).map(({ path, source }) => [patternOf(path, path === TRIP), more(source)]),
    ...pagesIn(rooms).map(({ path, source }) => [
      patternOf(path === '' ? TRIP : `${TRIP}/${path}`),
      more(source),
    ]),
  ];
}

/** Runs before any other script: asks the server for what a trip that is opened waits for, and names the scripts of the page. */
function openEarly(names, pages) {
  const [, id] = /^\/trips\/([^/]+)/.exec(location.pathname) ?? [];
  // See web/src/app/data/first-answers.ts, which takes them; the header as in PAST_THE_WORKER.
  const ask = (url) => fetch(url, { headers: { 'ngsw-bypass': 'true' } });
  const read = (answer) =>
    answer.ok ? answer.json().then((body) => ({ etag: answer.headers.get('ETag'), body })) : null;
  if (id)
    globalThis.firstAnswers = [
      ...['trips', 'packings', 'rehearsals'].map((kind) => `/api/${kind}/${id}`),
      '/api/gear',
    ].map((url) => [
      url,
      ask(url)
        .then(read)
        .catch(() => null),
    ]);
  for (const name of new Set(
    pages.flatMap(([address, places]) => (new RegExp(address).test(location.pathname) ? places : [])),
  )) {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = names[name];
    document.head.append(link);
  }
  // The first clock that is asked takes tens of milliseconds: asked for while the scripts are on their way.
  if (id) new Intl.DateTimeFormat('en-US', { hour: 'numeric' }).format();
}

/** A call of {@link openEarly} in which each name stands once. */
export function openingScript(pages) {
  const names = [...new Set(pages.flatMap(([, scripts]) => scripts))];
  const places = new Map(names.map((name, index) => [name, index]));
  const byPlace = pages.map(([address, scripts]) => [address, scripts.map((name) => places.get(name))]);
  return `(${openEarly.toString()})(${JSON.stringify(names)},${JSON.stringify(byPlace)})`;
}

const LINK = /<link rel="modulepreload" href="[^"]+">/g;

/** The name that a script is served under for ever: by what stands in it. */
export const nameOf = (script) =>
  `opened-${createHash('sha256').update(script).digest('hex').slice(0, 8).toUpperCase()}.js`;

/** The index with all first scripts named, where Angular names ten of them, and with a script that names those of the page that is opened. */
export function withPreloads(index, first, script) {
  const links = [...first].map((name) => `<link rel="modulepreload" href="${name}">`);
  return index
    .replace(LINK, '')
    .replace('<link rel="stylesheet"', `<script src="${nameOf(script)}"></script>$&`)
    .replace('</head>', `${links.join('')}</head>`);
}
