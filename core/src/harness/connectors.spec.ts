import {
  CONNECTOR_ENDS,
  isBarePin,
  mateOf,
  mates,
  readConnector,
  sayConnector,
  type ConnectorName,
} from './connectors.js';

describe('a connector', () => {
  it('is read again from its own words', () => {
    for (const connector of CONNECTOR_ENDS) expect(readConnector(sayConnector(connector))).toEqual(connector);
  });

  it('is found in looser words, and not where none is named', () => {
    expect(readConnector('Ring terminal')).toEqual({ family: 'ring', end: 'plug' });
    expect(readConnector('a 2.5 mm barrel at the back')).toEqual({ family: 'barrel25', end: 'socket' });
    expect(readConnector('some plug')).toBeNull();
  });

  it('of a pair alike has one name for both its ends', () => {
    for (const end of ['plug', 'socket'] as const) {
      expect(sayConnector({ family: 'flat30', end })).toBe('30 A flat-contact pair');
      expect(sayConnector({ family: 'sae', end })).toBe('SAE two-pole');
    }
  });

  it('is called what people call it, each of its ends', () => {
    const words: readonly [ConnectorName, string, string][] = [
      ['barrel21', '2.1 mm barrel plug', '2.1 mm barrel socket'],
      ['ring', 'ring terminal', 'stud for a ring terminal'],
      ['ring8', 'M8 ring terminal', 'stud for a M8 ring terminal'],
      ['vehicle', 'plug for a vehicle socket', 'vehicle socket'],
      ['screw', 'bare end for a screw terminal', 'screw terminal'],
    ];
    for (const [family, plug, socket] of words)
      expect([sayConnector({ family, end: 'plug' }), sayConnector({ family, end: 'socket' })]).toEqual([
        plug,
        socket,
      ]);
  });

  it('mates with its counterpart and with no other, but two ring terminals share a bolt', () => {
    for (const connector of CONNECTOR_ENDS) {
      const partners = CONNECTOR_ENDS.filter((other) => mates(connector, other));
      if (connector.family.startsWith('ring')) expect(partners).toContain(mateOf(connector));
      else expect(partners).toEqual([mateOf(connector)]);
    }
    expect(mates({ family: 'ring', end: 'plug' }, { family: 'ring', end: 'plug' })).toBe(true);
    expect(mates({ family: 'ring', end: 'plug' }, { family: 'ring8', end: 'plug' })).toBe(false);
  });

  it('of a 2.1 mm barrel does not go into a 2.5 mm one, nor plug into plug', () => {
    expect(mates({ family: 'barrel21', end: 'plug' }, { family: 'barrel25', end: 'socket' })).toBe(false);
    expect(mates({ family: 'bullet4', end: 'plug' }, { family: 'bullet4', end: 'plug' })).toBe(false);
    expect(mates({ family: 'flat30', end: 'plug' }, { family: 'flat30', end: 'socket' })).toBe(true);
  });

  it('has a bare pin where it is the plug of a bullet pair, and nowhere else', () => {
    const bare = CONNECTOR_ENDS.filter(isBarePin).map(({ family, end }) => `${family} ${end}`);
    expect(bare).toEqual(['bullet35 plug', 'bullet4 plug']);
  });
});
