// node scripts/demo-season.mjs: nine past outings of the demo, made up and played by core with a seed of its own.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { OUTINGS, REQUIREMENTS } from './demo-outings.mjs';
import { ensureLibraries } from './builds.mjs';
import { at, load } from './process.mjs';

const SEED = 1907;
const HOUR_MS = 3_600_000;
const NEXT_TO_NOTHING = 0.1;
const FOLDER = 'demo/season';

await ensureLibraries();
const core = await load('core/dist/index.js');
const { resolve } = await load('contract/dist/index.js');
const { controllerDaysCsv, entriesOfDays, readControllerDays } = await load('contract/dist/field/index.js');
const { entriesOfContacts } = await load('contract/dist/debrief/index.js');
const { outingRow } = await load('contract/dist/logbook/index.js');
const { readAdif } = await load('contract/dist/formats/index.js');
const { gear } = JSON.parse(readFileSync(at('demo/gear.json'), 'utf8'));

const iso = (timeMs) => new Date(timeMs).toISOString().replace('.000Z', 'Z');
const next = core.generator(core.seedOf(`${SEED}`));
const pick = (from, to) => from + (to - from) * next();
const write = (path, text) => writeFileSync(at(`${FOLDER}/${path}`), text);
const asJson = (value) => `${JSON.stringify(value, null, 2)}\n`;

rmSync(at(FOLDER), { recursive: true, force: true });
for (const folder of ['trips', 'logs', 'debriefs', 'files'])
  mkdirSync(at(`${FOLDER}/${folder}`), { recursive: true });

/** A trip as it was planned. */
function planned(outing) {
  const startMs = Date.parse(outing.start);
  const hour = (of) => iso(startMs + of * HOUR_MS);
  return {
    ...{ schema: 'knapsack.trip', version: 9, id: outing.id, name: outing.name, archived: true },
    place: outing.place,
    ...{
      start: hour(0),
      end: hour(outing.hours),
      temperatureC: outing.airC,
      startSoc: outing.startSoc ?? 1,
      stepMinutes: 5,
    },
    weather: {
      ...{ air: 'clean', windMS: 4, climate: outing.climate },
      hours: outing.cloud.map((cloud, place) => ({
        start: hour((outing.hours * place) / outing.cloud.length),
        cloud,
      })),
    },
    ...(outing.panel && { panelPlace: outing.panel }),
    packing: { wayIn: outing.wayIn },
    blocks: outing.work.map(([from, to, mode, activity, powerW, share], place) => ({
      ...{ id: `b${place + 1}`, start: hour(from), end: hour(to), activity, mode, powerW, share },
    })),
    loadout: outing.bag.map((id) => ({ gear: id, count: 1 })),
    ...(outing.floorSoc && { floorSoc: outing.floorSoc }),
  };
}

/** The gear as it really was that day, and nobody knew. */
function really({ real }) {
  const known = (figure, factor) => ({
    value: figure.value * factor,
    source: 'measured',
    spread: 0.004 * figure.value,
  });
  return gear.map((item) => {
    switch (item.kind) {
      case 'radio':
        return {
          ...item,
          receiveA: known(item.receiveA, real.receive),
          transmit: item.transmit
            .filter(({ source }) => source === 'measured')
            .map((point) => ({
              rfW: point.rfW,
              amps: point.amps * real.keyDown,
              source: 'measured',
              spread: 0.01,
            })),
        };
      case 'panel':
        return { ...item, truth: known(item.truth ?? { value: 0.9 }, real.panel) };
      case 'battery':
        return {
          ...item,
          measuredAh: known({ value: item.ratedAh.value * (item.health?.value ?? 1) }, real.capacity),
        };
      default:
        return item;
    }
  });
}

/** What a controller looks at, to tell its days. */
const everyHour = (startMs, endMs) =>
  Array.from({ length: Math.floor((endMs - startMs) / HOUR_MS) }, (_, hour) => ({
    ...{ kind: 'reading', timeMs: startMs + (hour + 1) * HOUR_MS - 1000, state: 'off', source: 'controller' },
    ...{ quantities: ['inAh', 'panelWatts', 'volts'], forDays: true },
  }));

/** The days of a controller by what it looked at. */
function daysIn(readings, zone) {
  const days = new Map();
  let lastAh = 0;
  for (const { timeMs, values } of readings) {
    const day = core.toLocalField(timeMs, zone).slice(0, 10);
    const before = days.get(day) ?? { day, inAh: 0, peakW: 0, lowV: Infinity, highV: 0 };
    days.set(day, {
      day,
      inAh: before.inAh + Math.max(0, values.inAh - lastAh),
      peakW: Math.max(before.peakW, values.panelWatts ?? 0),
      lowV: Math.min(before.lowV, values.volts),
      highV: Math.max(before.highV, values.volts),
    });
    lastAh = values.inAh;
  }
  return [...days.values()];
}

function played(outing, trip) {
  const plan = resolve(trip, really(outing)).value;
  const { startMs, endMs } = plan.outing;
  const sure = { source: 'learned', spread: 0.01 };
  const real = core.underOtherSky(
    {
      ...plan,
      blocks: plan.blocks.map((block) => ({
        ...block,
        share: Math.min(1, block.share * outing.real.duty),
        shareFrom: sure,
      })),
    },
    outing.sky,
  );
  const at = (hours) => startMs + hours * HOUR_MS;
  const acts = [
    ...outing.reads.map(([hours, state, ...quantities]) => ({
      ...{ kind: 'reading', timeMs: at(hours), state, quantities },
      source: quantities.includes('inAh') ? 'controller' : 'typed',
    })),
    ...outing.looks.map((hours) => ({ kind: 'look', timeMs: at(hours) })),
    ...(outing.controllerFile ? everyHour(startMs, endMs) : []),
  ].sort((a, b) => a.timeMs - b.timeMs);
  const seed = SEED + OUTINGS.indexOf(outing);
  // When next to nothing is left they stop: the last that still went is looked for by the quarter of an hour.
  let untilMs = endMs;
  const goesOn = (timeMs) => {
    const until = acts.filter((act) => act.timeMs <= timeMs);
    const { march, socs } = core.play(real, until, timeMs, seed);
    return march.particles.isOn[0] === 1 && socs.at(-1) > NEXT_TO_NOTHING;
  };
  if (!goesOn(endMs)) {
    for (untilMs = startMs; goesOn(untilMs + HOUR_MS / 4);) untilMs += HOUR_MS / 4;
  }
  const done = acts.filter((act) => act.timeMs <= untilMs);
  return { ...core.play(real, done, untilMs, seed), untilMs, endMs };
}

const DIGITS = { volts: 2, amps: 2, outAh: 2, inAh: 2, percent: 0 };
const rounded = (values) =>
  Object.fromEntries(
    Object.entries(values).map(([quantity, value]) => [quantity, Number(value.toFixed(DIGITS[quantity]))]),
  );

/** Contacts of a block, at the pace that a duty cycle allows. */
function contactsIn(outing, { startMs, endMs, mode, activity, share }, untilMs) {
  const seconds = core.secondsSent(mode);
  if (seconds === null) return [];
  const duty = Math.min(1, share * outing.real.duty);
  // Who runs stations calls between contacts: see the rule of docs/model.md.
  const calls = activity === 'calling' || activity === 'contest' ? core.CALLING_SHARE : 0;
  const sent = Math.max(0.03, (duty - calls) / (1 - calls));
  const everyMs = (seconds * 1000) / sent;
  const contacts = [];
  for (
    let timeMs = startMs + pick(0.2, 1) * everyMs;
    timeMs < Math.min(endMs, untilMs);
    timeMs += pick(0.5, 1.5) * everyMs
  ) {
    contacts.push({ timeMs, mode, modeName: mode, band: outing.band });
  }
  return contacts;
}

const SIGNS = 'ABCDEFGHIJKLMNOPRSTUVWXYZ';
/** A call sign that no administration issues. */
const callSign = () =>
  `Q${Math.floor(pick(1, 10))}${Array.from({ length: 3 }, () => SIGNS[Math.floor(pick(0, SIGNS.length))]).join('')}`;
const field = (name, value) => `<${name}:${value.length}>${value}`;
function adifOf(contacts) {
  const lines = contacts.map(({ timeMs, mode, band }) => {
    const time = iso(timeMs);
    return [
      field('CALL', callSign()),
      field('QSO_DATE', time.slice(0, 10).replaceAll('-', '')),
      field('TIME_ON', time.slice(11, 19).replaceAll(':', '')),
      field('BAND', band),
      field('MODE', mode),
      '<EOR>',
    ].join(' ');
  });
  return `A made-up contact log of the demo.\n${field('ADIF_VER', '3.1.4')}\n<EOH>\n${lines.join('\n')}\n`;
}

for (const outing of OUTINGS) {
  const trip = planned(outing);
  const { log, untilMs, endMs, socs } = played(outing, trip);
  const contacts = resolve(trip, gear).value.blocks.flatMap((block) => contactsIn(outing, block, untilMs));
  if (outing.adif) write(`files/${outing.id}.adi`, adifOf(contacts));
  const read = outing.adif ? readAdif(adifOf(contacts)).value.contacts : contacts;
  const taken = outing.counts || outing.adif ? entriesOfContacts(trip, read).value.entries : [];
  const isHourly = ({ timeMs, source }) =>
    outing.controllerFile && source === 'controller' && timeMs % HOUR_MS === HOUR_MS - 1000;
  const typed = log.readings.filter((reading) => !isHourly(reading));
  const csv = outing.controllerFile
    ? controllerDaysCsv(daysIn(log.readings.filter(isHourly), trip.place.timeZone))
    : null;
  if (csv) write(`files/${outing.id}-controller.csv`, csv);
  const byDay = csv ? entriesOfDays(readControllerDays(csv).value, trip, endMs) : [];
  const readings = typed.map(({ id, timeMs, state, source, values }) => ({
    ...{ id, at: iso(timeMs), kind: 'reading', state },
    ...(source !== 'typed' && { source }),
    ...rounded(values),
  }));
  const entries = [
    ...readings,
    ...byDay,
    ...taken,
    ...outing.notes.map(([hours, note], place) => ({
      ...{ id: `n${place + 1}`, at: iso(Date.parse(trip.start) + hours * HOUR_MS), kind: 'note', note },
    })),
    ...log.events
      .filter(({ kind }) => kind === 'sky')
      .map(({ timeMs, cloud, rain, fog }, place) => ({
        ...{
          id: `s${place + 1}`,
          at: iso(timeMs),
          kind: 'sky',
          cloud: Math.round(8 * Math.min(1, Math.max(0, cloud))) / 8,
        },
        ...(rain && { rain }),
        ...(fog && { fog }),
      })),
    ...(untilMs < endMs ? [{ id: 'e1', at: iso(untilMs), kind: 'end' }] : []),
  ]
    .filter((entry) => Date.parse(entry.at) <= untilMs)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  write(`trips/${outing.id}.json`, asJson(trip));
  write(`logs/${outing.id}.json`, asJson({ schema: 'knapsack.log', version: 2, trip: trip.id, entries }));
  const lessons = outing.lessons.map(([kind, text, about, done], place) => ({
    ...{ id: `l${place + 1}`, kind, text, ...(about && { gear: about }), ...(done && { done }) },
  }));
  write(
    `debriefs/${outing.id}.json`,
    asJson({ schema: 'knapsack.debrief', version: 1, id: trip.id, left: [], aside: [], lessons }),
  );
  const found = outingRow(trip, { schema: 'knapsack.log', version: 2, trip: trip.id, entries }, null, gear);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  const { told, came, plannedAh, usedAh, lowestSoc, sunShare, taught, sky } = found.value;
  const percent = (share) => (share === null ? '–' : (100 * share).toFixed(0));
  console.log(
    `${outing.id}: told ${percent(told)} %, ${came}; ${plannedAh.toFixed(1)} Ah planned, ${usedAh.toFixed(1)} used, lowest ${percent(lowestSoc)} %, sun ${percent(sunShare)} %, sky ${percent(sky?.mean ?? null)}; ${contacts.length} contacts; really ${(100 * socs.at(-1)).toFixed(0)} % at ${iso(untilMs)} of ${iso(endMs)}`,
  );
  console.log(
    taught
      .map(
        ({ id, before, after }) =>
          `   ${id}: ${before.mean.toFixed(3)} to ${after.mean.toFixed(3)} ± ${after.sd.toFixed(3)}`,
      )
      .join('\n'),
  );
}
write(
  'requirements.json',
  asJson({ schema: 'knapsack.requirements', version: 2, id: 'next-build', requirements: REQUIREMENTS }),
);
