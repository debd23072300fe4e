// What nobody would ask the server, for fuzz.mjs: mutated documents of every kind, words that are no words, bodies that are none, on
// every route.
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { buffer } from 'node:stream/consumers';
import { generator } from './generator.mjs';
import { nonsense } from './nonsense.mjs';
import { at } from './process.mjs';
import yazl from 'yazl';

const SEED = Number(process.argv[3] ?? 20_270_904);

const random = generator(SEED);
const below = (most) => Math.floor(random() * most);
const oneOf = (list) => list[below(list.length)];

const { WORDS, NUMBERS, deep, mutated } = nonsense({ random, below, oneOf });

const read = (path) => JSON.parse(readFileSync(at(path), 'utf8'));
const shelf = read('demo/gear.json');
const trips = readdirSync(at('demo/trips')).map((file) => read(`demo/trips/${file}`));
const gear = shelf.gear;
const anyTrip = () => (random() < 0.3 ? oneOf(trips) : mutated(oneOf(trips)));
const anyGear = () => (random() < 0.3 ? oneOf(gear) : mutated(oneOf(gear)));
const query = (names) =>
  names
    .filter(() => random() < 0.8)
    .map(
      ([name, usual]) =>
        `${name}=${encodeURIComponent(random() < 0.6 ? usual : String(oneOf([...WORDS, ...NUMBERS])))}`,
    )
    .join('&');
const id = () => (random() < 0.5 ? oneOf([...trips, ...gear]).id : encodeURIComponent(oneOf(WORDS)));
const revision = () =>
  oneOf([
    undefined,
    '"1"',
    '"2"',
    '1',
    '*',
    'W/"1"',
    '"99999999999999999999"',
    oneOf(WORDS).replace(/[^\x20-\x7e]/g, ''),
  ]);
/** What is ticked or read of a trip, of ours or anybody's. */
function anyBeside() {
  const kind = oneOf(['packings', 'rehearsals']);
  const trip = id();
  const [packed, results] = [
    [{ gear: oneOf(gear).id }],
    [{ step: 'load', outcome: 'ok', at: '2027-09-01T10:00:00Z' }],
  ];
  const document = mutated(
    {
      ...{ schema: `knapsack.${kind.slice(0, -1)}`, version: 1, id: decodeURIComponent(trip) },
      ...(kind === 'packings' ? { packed } : { results }),
    },
    below(3),
  );
  return oneOf([
    ['GET', `/api/${kind}/${trip}`],
    ['POST', `/api/${kind}`, document],
    ['PUT', `/api/${kind}/${trip}`, document, revision()],
  ]);
}
/** A log of a trip, of ours or anybody's. */
function anyLog() {
  const trip = id();
  const entries = [
    { id: `e${below(1e6)}`, at: '2027-09-04T18:00:00Z', kind: 'reading', state: 'keyDown', volts: 12.7 },
    {
      id: `e${below(1e6)}`,
      at: '2027-09-04T19:00:00Z',
      kind: oneOf(['sky', 'work', 'end', 'note']),
      cloud: 0.5,
    },
  ];
  const log = { schema: 'knapsack.log', version: oneOf([1, 2]), trip: decodeURIComponent(trip), entries };
  return oneOf([
    ['GET', `/api/logs/${trip}`],
    ['POST', `/api/logs/${trip}`, mutated(log, below(3))],
    ['POST', `/api/logs/${trip}`, log],
  ]);
}
const search = (what, options) => [
  'POST',
  `/api/search/${what}`,
  { trip: anyTrip(), ...(random() < 0.5 && { gear: [anyGear()] }), ...mutated(options) },
];

/** A backup as the server has made it, with bytes turned over, or with a manifest and documents of anybody's. */
async function anyBackup(backup) {
  const copy = Buffer.from(backup);
  if (random() < 0.4) {
    for (let turns = below(4); turns > 0; turns--) copy[below(copy.length)] = below(256);
    return random() < 0.2 ? copy.subarray(0, below(copy.length)) : copy;
  }
  const text = JSON.stringify(random() < 0.5 ? anyTrip() : anyGear());
  const kind = random() < 0.8 ? oneOf(['trips', 'gear']) : oneOf(WORDS);
  const name = `${kind || 'x'}/${id()}.json`;
  const manifest = {
    schema: 'knapsack.backup',
    version: 1,
    madeAt: '2027-09-04T10:00:00Z',
    counts: { [kind]: 1 },
    documents: [
      {
        ...{ kind, id: id(), name: oneOf(WORDS), revision: below(5), file: name },
        sha256: createHash('sha256').update(text).digest('hex'),
      },
    ],
  };
  const zip = new yazl.ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify(random() < 0.4 ? manifest : mutated(manifest))), 'backup.json');
  try {
    zip.addBuffer(Buffer.from(text), name);
  } catch {
    // A name that no zip takes.
  }
  zip.end();
  return buffer(zip.outputStream);
}
const PLACES = [
  '<gpx><wpt lat="59" lon="5"><name>a</name></wpt></gpx>',
  '<!DOCTYPE a [<!ENTITY b "c">]><gpx>&b;</gpx>',
  `<gpx>${'<a>'.repeat(3000)}</gpx>`,
  '{"type":"Point","coordinates":[5,59]}',
  `{"type":"FeatureCollection","features":${deep(3000)}}`,
];

/** Of each route so many of a hundred; searches are slow and few. */
const ROUTES = [
  [14, () => ['GET', oneOf([`/api/trips/${id()}`, `/api/gear/${id()}`, '/api/trips', '/api/gear'])]],
  [14, () => ['POST', '/api/trips', anyTrip()]],
  [14, () => ['POST', '/api/gear', anyGear()]],
  [10, () => ['PUT', `/api/trips/${id()}`, anyTrip(), revision()]],
  [10, () => ['PUT', `/api/gear/${id()}`, anyGear(), revision()]],
  [3, () => anyBeside()],
  [3, () => anyLog()],
  [4, () => ['DELETE', oneOf([`/api/trips/${id()}`, `/api/gear/${id()}`]), undefined, revision()]],
  [
    8,
    () => [
      'GET',
      `/api/weather?${query([
        ['latitude', '59'],
        ['longitude', '5'],
        ['height', '6'],
        ['from', '2027-09-04T10:00:00Z'],
        ['to', '2027-09-05T10:00:00Z'],
        ['climate', 'maritime'],
      ])}`,
    ],
  ],
  [
    6,
    () => [
      'POST',
      '/api/weather',
      mutated(
        {
          content: oneOf(['time,cloud\n2027-09-04T10:00,50', '{"hours":[]}', deep(5000), ...WORDS]),
          zone: oneOf(['Europe/Oslo', ...WORDS]),
        },
        below(2),
      ),
    ],
  ],
  [5, () => ['GET', `/api/shelf?${query([['as', 'csv']])}`]],
  [
    5,
    () => [
      'POST',
      '/api/shelf',
      {
        content: oneOf([
          () => JSON.stringify(mutated(shelf)),
          () => 'kind,name\n=1+1,x',
          () => oneOf(WORDS),
          () => deep(20_000),
        ])(),
      },
    ],
  ],
  [
    6,
    () => [
      'GET',
      `/api/meter?${query([
        ['radio', 'curlew-10'],
        ['power', '10'],
        ['script', 'voice'],
        ['rate', '5'],
        ['faster', '1'],
        ['seed', '1'],
      ])}`,
    ],
  ],
  [
    4,
    () => [
      'GET',
      oneOf([
        `/api/trips/${id()}/file`,
        `/api/trips/${id()}/calendar`,
        `/api/trips/${id()}/place?as=${encodeURIComponent(oneOf(['gpx', 'geojson', ...WORDS]))}`,
        '/api/backup/copies',
      ]),
    ],
  ],
  [
    3,
    () => [
      'POST',
      oneOf(['/api/trips/file', '/api/trips/file/look']),
      mutated({ trip: anyTrip(), choice: {} }, below(2)),
    ],
  ],
  [2, () => ['POST', '/api/places', { content: oneOf([...PLACES, ...WORDS]) }]],
  [
    2,
    async (backup) => [
      'POST',
      oneOf(['/api/backup/look', '/api/backup/restore', '/api/backup/restore?different=replace']),
      await anyBackup(backup),
    ],
  ],
  [0.3, () => ['POST', `/api/backup/copies/${id()}/${oneOf(['look', 'restore'])}`]],
  [0.2, () => ['POST', '/api/backup/check']],
  [0.5, () => search('size', {})],
  [0.5, () => search('chance', {})],
  [0.4, () => search('ration', {})],
  [0.3, () => ['POST', '/api/card', { trip: anyTrip(), ...mutated({ paper: 'A5' }) }]],
  [
    2,
    () => [
      oneOf(['GET', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'HEAD', 'PATCH']),
      oneOf([
        '/api/nothing',
        '/api/trips/%00',
        '/api/%',
        '/%ff',
        '/api/demo/x',
        '/trips/../../x',
        `/${encodeURIComponent(oneOf(WORDS))}`,
      ]),
    ],
  ],
  [
    1,
    () => [
      'POST',
      oneOf(['/api/trips', '/api/gear', '/api/search/size']),
      oneOf(['{', '[[[[', '"x"', '', '{"a":1}}', '['.repeat(50_000)]),
    ],
  ],
];
const ALL = ROUTES.reduce((sum, [weight]) => sum + weight, 0);
/**
 * A request that nobody would make, the same row of them for the same seed: method, path, body and revision.
 *
 * @param backup as the server makes one, for those that are made of it
 */
export function ask(backup) {
  let left = random() * ALL;
  for (const [weight, make] of ROUTES) if ((left -= weight) < 0) return make(backup);
  return ROUTES[0][1](backup);
}
