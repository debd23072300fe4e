import { partsBelow, wayToRoot, type HarnessPart } from './harness.js';

/** A step of joining or taking apart, with its reason. */
export interface OrderStep {
  readonly words: string;
  readonly why: string;
  /** The part that it is about, where it is one. */
  readonly part: string | null;
}

/**
 * The steps in which a harness is joined: battery to controller first, loads next, the panel last. Source: convention of this
 * project, docs/model.md.
 */
export function connectionOrder(parts: readonly HarnessPart[]): readonly OrderStep[] {
  const { batteries, controllers, loads, panels } = sorted(parts);
  const steps: OrderStep[] = [
    {
      words: 'Switch everything off and take the fuses out.',
      why: 'Nothing sparks while it is joined, and a wrong lead blows no radio.',
      part: null,
    },
    {
      words: 'Look at every plug: red on plus, measured, not remembered.',
      why: 'A reversed lead destroys a radio in the moment it is joined.',
      part: null,
    },
  ];
  for (const controller of controllers) {
    steps.push({
      words: `Join ${controller.name} to ${nameOf(parts, controller)}, plus last.`,
      why: 'A controller reads the battery as it wakes and chooses its charge by it; with the panel first it may hand the panel’s volts on.',
      part: controller.id,
    });
  }
  for (const together of byFeed(loads)) {
    steps.push({
      words: `Join ${inWords(together.map(({ name }) => name))} to ${nameOf(parts, together[0])}.`,
      why: 'Loads are joined while nothing charges, at the battery’s own volts.',
      part: together[0].id,
    });
  }
  for (const battery of batteries) {
    steps.push({
      words: `Put the fuses at ${battery.name} in.`,
      why: 'From here on the leads are live; the fuse stands nearest to what could feed a short circuit.',
      part: battery.id,
    });
  }
  for (const panel of panels) {
    steps.push({
      words: `Lay ${panel.name} face down, join it to ${nameOf(parts, panel)}, then turn it up.`,
      why: 'A panel in light cannot be switched off: it comes last, to a controller that knows its battery.',
      part: panel.id,
    });
  }
  steps.push({
    words: 'Switch the radio on and read the volts at its own plug, listening and key down.',
    why: 'What is lost on the leads is seen at the radio, not at the battery.',
    part: parts.find(({ kind }) => kind === 'radio')?.id ?? null,
  });
  return steps;
}

/** The steps in which it is taken apart: the same in reverse. */
export function disconnectionOrder(parts: readonly HarnessPart[]): readonly OrderStep[] {
  const { batteries, controllers, loads, panels } = sorted(parts);
  return [
    {
      words: 'Switch the radio and everything else off.',
      why: 'A plug pulled under load burns its contacts.',
      part: null,
    },
    ...panels.map((panel) => ({
      words: `Turn ${panel.name} face down and take it off ${nameOf(parts, panel)} first.`,
      why: 'A controller without its battery, but with a panel, has nowhere to put the current.',
      part: panel.id,
    })),
    ...batteries.map((battery) => ({
      words: `Take the fuses at ${battery.name} out.`,
      why: 'The leads are dead from here on and may be rolled up.',
      part: battery.id,
    })),
    ...byFeed(loads)
      .reverse()
      .map((together) => ({
        words: `Take ${inWords(together.map(({ name }) => name).reverse())} off ${nameOf(parts, together[0])}.`,
        why: 'Nothing stays joined that draws while it is stored.',
        part: together[0].id,
      })),
    ...controllers.map((controller) => ({
      words: `Take ${controller.name} off ${nameOf(parts, controller)}, plus first.`,
      why: 'A few milliamps of its own empty a battery in store; lead does not come back from that.',
      part: controller.id,
    })),
  ];
}

/** The parts by what is done with them; a load that hangs behind another part is joined with that part. */
function sorted(parts: readonly HarnessPart[]) {
  const of = (...kinds: readonly HarnessPart['kind'][]) => parts.filter(({ kind }) => kinds.includes(kind));
  const charging = new Set(
    of('panel').flatMap(({ id }) =>
      parts.filter((part) => partsBelow(parts, part.id).some((p) => p.id === id)),
    ),
  );
  return {
    batteries: of('battery', 'station'),
    controllers: of('controller'),
    panels: of('panel'),
    loads: parts
      .filter(
        (part) =>
          part.run !== null &&
          !charging.has(part) &&
          !['controller', 'battery', 'station', 'joint', 'missing'].includes(part.kind),
      )
      // What feeds others is joined before them.
      .sort((a, b) => wayToRoot(parts, a.id).length - wayToRoot(parts, b.id).length),
  };
}

/** Loads that hang from the same part, in one go. */
function byFeed(loads: readonly HarnessPart[]): (readonly HarnessPart[])[] {
  const groups = new Map<string | null, HarnessPart[]>();
  for (const load of loads) groups.set(load.from, [...(groups.get(load.from) ?? []), load]);
  return [...groups.values()];
}

const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

const nameOf = (parts: readonly HarnessPart[], { from }: HarnessPart): string =>
  parts.find(({ id }) => id === from)?.name ?? 'the battery';
