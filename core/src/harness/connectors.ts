/** What one end of a lead, or a socket of a part, is. */
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
}

/**
 * Families of connectors in generic terms. The ratings are the lower end of what usual parts of each family are sold for; what a
 * lead states of its own goes first.
 */
export const CONNECTORS = {
  flat30: { label: '30 A flat-contact pair', ratedA: 30, ends: ['either'] },
  barrel21: { label: '2.1 mm barrel', ratedA: 5, ends: ['plug', 'socket'] },
  barrel25: { label: '2.5 mm barrel', ratedA: 5, ends: ['plug', 'socket'] },
  ring: { label: 'ring terminal', ratedA: 60, ends: ['ring', 'stud'] },
  sae: { label: 'SAE two-pole', ratedA: 15, ends: ['either'] },
  vehicle: { label: 'vehicle socket', ratedA: 10, ends: ['plug', 'socket'] },
  bullet35: { label: '3.5 mm bullet', ratedA: 20, ends: ['plug', 'socket'] },
  bullet4: { label: '4 mm bullet', ratedA: 40, ends: ['plug', 'socket'] },
  screw: { label: 'screw terminal', ratedA: 20, ends: ['bare end', 'clamp'] },
} as const satisfies Record<string, Family>;

export type ConnectorName = keyof typeof CONNECTORS;

export const CONNECTOR_NAMES = Object.keys(CONNECTORS) as readonly ConnectorName[];

/** Two poles alike can be joined the wrong way round: polarity is to be looked at. */
export const MAY_REVERSE: readonly ConnectorName[] = ['sae', 'bullet35', 'bullet4', 'screw'];

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
  if (family === 'ring') return end === 'plug' ? 'ring terminal' : 'stud for a ring terminal';
  if (family === 'vehicle') return end === 'plug' ? 'plug for a vehicle socket' : 'vehicle socket';
  if (family === 'screw') return end === 'plug' ? 'bare end for a screw terminal' : 'screw terminal';
  return `${label} ${word}`;
}

/** The connector that words name; null where they name none of the table. Sockets of a vehicle, screws and studs belong to parts. */
export function readConnector(words: string): Connector | null {
  const text = words.trim().toLowerCase();
  const exact = CONNECTOR_ENDS.find((connector) => sayConnector(connector).toLowerCase() === text);
  if (exact) return exact;
  const family = CONNECTOR_NAMES.find((name) => text.includes(CONNECTORS[name].label.toLowerCase()));
  if (!family) return null;
  return { family, end: text.includes('plug') ? 'plug' : 'socket' };
}

/** Whether two ends go into each other. */
export const mates = (a: Connector, b: Connector): boolean =>
  a.family === b.family && (CONNECTORS[a.family].ends.length === 1 || a.end !== b.end);

/** The end that goes into another. */
export const mateOf = ({ family, end }: Connector): Connector => ({
  family,
  end: CONNECTORS[family].ends.length === 1 ? 'plug' : end === 'plug' ? 'socket' : 'plug',
});
