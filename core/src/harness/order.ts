import { partsBelow, wayToRoot, type HarnessPart } from './harness.js';

/** A step of connecting or disconnecting, with its reason. */
export interface OrderStep {
  readonly words: string;
  readonly why: string;
  /** The part that it is about, where it is one. */
  readonly part: string | null;
}

/** What the order depends on besides the parts. */
export interface OrderFacts {
  /** Several batteries: all at once, or one after the other; one if absent. */
  readonly batteries?: 'parallel' | 'turns';
  /** Their volts do not show how full they are: LiFePO4. */
  readonly fullByCharger?: boolean;
  /** Cells that cannot be charged. */
  readonly isPrimary?: boolean;
  /** Batteries of different chemistries: the controller has to be told which is on. */
  readonly isMixed?: boolean;
}

const hasFuses = (parts: readonly HarnessPart[]): boolean =>
  parts.some(({ run }) => typeof run?.fuseA === 'number');

/**
 * The steps in which a harness is connected: battery to controller first, loads next, the panel last. Source: makers' practice of
 * charge controllers; see docs/model.md.
 */
export function connectionOrder(parts: readonly HarnessPart[], facts: OrderFacts = {}): readonly OrderStep[] {
  const { batteries, controllers, loads, panels } = sorted(parts);
  const steps: OrderStep[] = [
    {
      words: hasFuses(parts)
        ? 'Switch everything off and take the fuses out.'
        : 'Switch everything off and leave the battery for last.',
      why: 'Nothing sparks while it is connected, and a wrong cable blows no radio.',
      part: null,
    },
    {
      words: 'Measure the polarity of every plug with a meter: red on plus, and of a barrel its centre.',
      why: 'A reversed cable destroys a radio the moment it is connected.',
      part: null,
    },
    ...together(parts, batteries, facts),
  ];
  for (const controller of controllers) {
    steps.push({
      words: `Connect ${controller.name} to ${nameOf(parts, controller)}, plus last.`,
      why: 'A controller reads the battery as it wakes and chooses its charge by it; with the panel first it may hand the panel’s volts on.',
      part: controller.id,
    });
  }
  for (const group of byFeed(loads)) {
    steps.push({
      words: `Connect ${inWords(group.map(({ name }) => name))} to ${nameOf(parts, group[0])}.`,
      why: 'Loads are connected while nothing charges, at the battery’s own volts.',
      part: group[0].id,
    });
  }
  const [inUse, ...waiting] = batteries;
  if (facts.batteries === 'turns' && inUse && waiting.length > 0) {
    steps.push(live(parts, inUse, waiting));
  } else {
    for (const battery of batteries) steps.push(live(parts, battery));
  }
  for (const panel of panels) {
    steps.push({
      words: `Lay ${panel.name} face down, connect it to ${nameOf(parts, panel)}, then turn it up.`,
      why: 'A panel in light cannot be switched off: it comes last, to a controller that knows its battery.',
      part: panel.id,
    });
  }
  steps.push({
    words: 'Switch the radio on and read the volts at its own plug, listening and key down.',
    why: 'What is lost on the cables is seen at the radio, not at the battery.',
    part: parts.find(({ kind }) => kind === 'radio')?.id ?? null,
  });
  return steps;
}

/** Several batteries: made alike before they meet, or kept apart. */
function together(
  parts: readonly HarnessPart[],
  batteries: readonly HarnessPart[],
  { batteries: use, fullByCharger, isPrimary, isMixed }: OrderFacts,
): readonly OrderStep[] {
  if (batteries.length < 2) return [];
  const [first] = batteries;
  const last = batteries[batteries.length - 1];
  if (use === 'turns') {
    const change = parts.find(({ kind }) => kind === 'changeover')?.name;
    return [
      {
        words: `${change ? `Set the ${change} to ${first.name}` : `Connect ${first.name}`}: only one battery at a time.${isMixed ? ' When you change over, set the controller to the other chemistry first.' : ''}`,
        why: 'Two batteries at different charge that meet drive current into each other without limit.',
        part: first.from,
      },
    ];
  }
  return [
    {
      words: isPrimary
        ? 'Put fresh cells of one kind and age into every set, and measure: within 0.1 V of each other.'
        : fullByCharger
          ? 'Charge each battery full by itself, until its charger says so, and measure: within 0.1 V of each other at rest.'
          : 'Charge each battery full by itself and measure: within 0.1 V of each other at rest.',
      why: fullByCharger
        ? 'The volts of LiFePO4 do not show how full it is: full is what the charger says.'
        : 'The fuller one drives current into the emptier one, as much as the cables let through.',
      part: null,
    },
    {
      words: `Connect them plus to plus and minus to minus, and take the loads off diagonally: plus at ${first.name}, minus at ${last.name}.`,
      why: 'Each battery then has the same length of cable, and they share the load.',
      part: first.from,
    },
  ];
}

/** The step from which cables are live. @param waiting batteries that stay off until they are changed over to */
function live(
  parts: readonly HarnessPart[],
  battery: HarnessPart,
  waiting: readonly HarnessPart[] = [],
): OrderStep {
  const fused = hasFuses(parts);
  const words =
    battery.kind === 'station'
      ? `Switch the outlets of ${battery.name} on.`
      : fused
        ? `Put the fuses at ${battery.name} in.`
        : `Connect ${battery.name}, plus last.`;
  const others = inWords(waiting.map(({ name }) => name));
  const rest = waiting.length === 0 ? '' : fused ? ` Leave those at ${others} out.` : ` Leave ${others} off.`;
  return {
    words: `${words}${rest}`,
    why: 'From here on the cables are live.',
    part: battery.id,
  };
}

/** The steps in which it is taken apart: the same in reverse, and made safe for the way. */
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
      words: dead(parts, battery),
      why: 'The cables are dead from here on and may be rolled up.',
      part: battery.id,
    })),
    ...byFeed(loads)
      .reverse()
      .map((group) => ({
        words: `Take ${inWords(group.map(({ name }) => name).reverse())} off ${nameOf(parts, group[0])}.`,
        why: 'Nothing that takes current stays connected in storage.',
        part: group[0].id,
      })),
    ...controllers.map((controller) => ({
      words: `Take ${controller.name} off ${nameOf(parts, controller)}, plus first.`,
      why: 'A few milliamps of its own empty a battery in store; a lead-acid battery does not come back from that.',
      part: controller.id,
    })),
    ...(batteries.length > 0
      ? [
          {
            words: 'For the way cap the terminals, leave the fuses out, and put loose cells in a case.',
            why: 'A battery in a bag meets keys and tent pegs.',
            part: null,
          },
        ]
      : []),
  ];
}

const dead = (parts: readonly HarnessPart[], { kind, name }: HarnessPart): string =>
  kind === 'station'
    ? `Switch the outlets of ${name} off.`
    : hasFuses(parts)
      ? `Take the fuses at ${name} out.`
      : `Take ${name} off, plus first.`;

/** The parts by what is done with them; a load that hangs behind another part is connected with that part. */
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
          !['controller', 'battery', 'station', 'joint', 'changeover', 'outlet', 'missing'].includes(
            part.kind,
          ),
      )
      // What feeds others is connected before them.
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
