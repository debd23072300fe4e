/** What one end of a cable, or a socket of a part, is. */
export interface Connector {
  readonly family: ConnectorName;
  /** Ignored where both ends of a pair are alike. */
  readonly end: 'plug' | 'socket';
}

interface Family {
  readonly label: string;
  /** What it may carry for hours, A. */
  readonly ratedA: number;
  /** The words for its two ends; one word where both are alike. */
  readonly ends: readonly [plug: string, socket: string] | readonly [both: string];
  /** Thickest wire that goes into it, mm2. */
  readonly mostMm2: number;
}

/**
 * Families of connectors in generic terms. The ratings are the lower end of what usual parts of each family are sold for; what a
 * cable states of its own goes first.
 */
export const CONNECTORS = {
  flat30: { label: '30 A flat-contact pair', ratedA: 30, ends: ['either'], mostMm2: 6 },
  flat45: { label: '45 A flat-contact pair', ratedA: 45, ends: ['either'], mostMm2: 6 },
  flat50: { label: '50 A flat-contact pair', ratedA: 50, ends: ['either'], mostMm2: 16 },
  barrel21: { label: '2.1 mm barrel', ratedA: 5, ends: ['plug', 'socket'], mostMm2: 1.5 },
  barrel25: { label: '2.5 mm barrel', ratedA: 5, ends: ['plug', 'socket'], mostMm2: 1.5 },
  // A crimped lug is rated by the wire in it.
  ring: { label: 'ring terminal', ratedA: Infinity, ends: ['ring', 'stud'], mostMm2: 16 },
  ring8: { label: 'M8 ring terminal', ratedA: Infinity, ends: ['ring', 'stud'], mostMm2: 50 },
  sae: { label: 'SAE two-pole', ratedA: 15, ends: ['either'], mostMm2: 2.5 },
  vehicle: { label: 'vehicle socket', ratedA: 10, ends: ['plug', 'socket'], mostMm2: 2.5 },
  bullet35: { label: '3.5 mm bullet', ratedA: 20, ends: ['plug', 'socket'], mostMm2: 4 },
  bullet4: { label: '4 mm bullet', ratedA: 40, ends: ['plug', 'socket'], mostMm2: 6 },
  screw: { label: 'screw terminal', ratedA: 20, ends: ['bare end', 'clamp'], mostMm2: 6 },
} as const satisfies Record<string, Family>;

export type ConnectorName = keyof typeof CONNECTORS;

export const CONNECTOR_NAMES = Object.keys(CONNECTORS) as readonly ConnectorName[];

/** Two poles alike can be connected the wrong way round: polarity is to be looked at. */
export const MAY_REVERSE: readonly ConnectorName[] = ['sae', 'bullet35', 'bullet4', 'screw'];

/** Barrels go in one way only, but nothing says which pole is the centre. */
export const BARRELS: readonly ConnectorName[] = ['barrel21', 'barrel25'];

/** Whether an end shows a bare pin: on the side that is live nothing may. A barrel's centre is inside its sleeve. */
export const isBarePin = ({ family, end }: Connector): boolean =>
  end === 'plug' && (family === 'bullet35' || family === 'bullet4');

/** Every end of every family, in the table's order. */
export const CONNECTOR_ENDS: readonly Connector[] = CONNECTOR_NAMES.flatMap((family): Connector[] =>
  CONNECTORS[family].ends.length === 1
    ? [{ family, end: 'plug' }]
    : [
        { family, end: 'plug' },
        { family, end: 'socket' },
      ],
);

/** For example "2.1 mm barrel plug", "30 A flat-contact pair". */
export function sayConnector({ family, end }: Connector): string {
  const { label, ends } = CONNECTORS[family] as Family;
  if (ends.length === 1) return label;
  const word = ends[end === 'plug' ? 0 : 1];
  // "ring terminal, ring" and "vehicle socket socket" are nobody's words.
  if (family === 'ring' || family === 'ring8')
    return end === 'plug' ? label : `stud for a ${family === 'ring' ? 'ring terminal' : 'M8 ring terminal'}`;
  if (family === 'vehicle') return end === 'plug' ? 'plug for a vehicle socket' : 'vehicle socket';
  if (family === 'screw') return end === 'plug' ? 'bare end for a screw terminal' : 'screw terminal';
  return `${label} ${word}`;
}

/** The connector that words name; null where they name none of the table. Sockets of a vehicle, screws and studs belong to parts. */
export function readConnector(words: string): Connector | null {
  const text = words.trim().toLowerCase();
  const exact = CONNECTOR_ENDS.find((connector) => sayConnector(connector).toLowerCase() === text);
  if (exact) return exact;
  const named = CONNECTOR_NAMES.filter((name) => text.includes(CONNECTORS[name].label.toLowerCase()));
  // "M8 ring terminal" holds "ring terminal": the longest name that fits is meant.
  const [family] = named.sort((a, b) => CONNECTORS[b].label.length - CONNECTORS[a].label.length);
  if (!family) return null;
  return { family, end: text.includes('plug') ? 'plug' : 'socket' };
}

/** Families of which two plugs fit together: two ring terminals share a bolt. */
const ON_ONE_BOLT: readonly ConnectorName[] = ['ring', 'ring8'];

/** Whether two ends go into each other. */
export const mates = (a: Connector, b: Connector): boolean =>
  a.family === b.family &&
  (CONNECTORS[a.family].ends.length === 1 || a.end !== b.end || ON_ONE_BOLT.includes(a.family));

/** The end that goes into another. */
export const mateOf = ({ family, end }: Connector): Connector => ({
  family,
  end: CONNECTORS[family].ends.length === 1 ? 'plug' : end === 'plug' ? 'socket' : 'plug',
});
