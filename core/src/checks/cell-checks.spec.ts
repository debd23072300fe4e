import { cellsFilled, cellsOut } from './cell-checks.js';

const cells = { name: 'Ten loose cells', chemistry: 'nimh' as const, ofCells: true };

describe('a charger of single cells', () => {
  it('must go on until they are full: one that ends at 1.25 V fills next to nothing', () => {
    expect(cellsFilled('Rook', cells, 1.4)).toBeNull();
    expect(cellsFilled('Rook', cells, undefined)).toBeNull();
    expect(cellsFilled('Rook', cells, 1.25)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at least 1.40 V', has: '1.25 V' }),
    );
    expect(cellsFilled('Rook', { ...cells, chemistry: 'liion' }, 4.1)?.severity).toBe('stop');
    expect(cellsFilled('Rook', { ...cells, chemistry: 'agm' }, 1)).toBeNull();
  });

  it('charges a set that waits, and no battery that is no set of cells', () => {
    expect(cellsOut('Rook', cells, true)).toBeNull();
    expect(cellsOut('Rook', cells, false)?.severity).toBe('look');
    expect(cellsOut('Rook', { ...cells, ofCells: false }, true)?.severity).toBe('stop');
  });
});
