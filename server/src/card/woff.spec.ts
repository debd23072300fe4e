import { readFileSync } from 'node:fs';
import { FONT_FILES } from './card-fonts.js';
import { expandWoff } from './woff.js';

/** The checksum of an OpenType table: the sum of its 32-bit words. */
function checksum(table: Buffer): number {
  const words = Buffer.alloc((table.length + 3) & ~3);
  table.copy(words);
  let sum = 0;
  for (let at = 0; at < words.length; at += 4) sum = (sum + words.readUInt32BE(at)) >>> 0;
  return sum;
}

describe('a font as it was before it was compressed', () => {
  for (const [style, file] of Object.entries(FONT_FILES)) {
    it(`has all its tables, each as its checksum says: ${style}`, () => {
      const woff = readFileSync(file);
      const font = expandWoff(woff);
      expect(font.length).toBe(woff.readUInt32BE(16));
      const count = font.readUInt16BE(4);
      expect(count).toBe(woff.readUInt16BE(12));
      const tables = Array.from({ length: count }, (_, index) => {
        const at = 12 + index * 16;
        const [sum, offset, length] = [4, 8, 12].map((field) => font.readUInt32BE(at + field));
        const table = Buffer.from(font.subarray(offset, offset + length));
        const tag = font.toString('latin1', at, at + 4);
        // The head's own checksum covers the file, and counts as nothing.
        if (tag === 'head') table.writeUInt32BE(0, 8);
        return { tag, asSaid: sum, asFound: checksum(table) };
      });
      expect(tables.map(({ tag }) => tag)).toEqual(
        jasmine.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'loca']),
      );
      expect(tables.map(({ asFound }) => asFound)).toEqual(tables.map(({ asSaid }) => asSaid));
      // The search fields of the header: the largest power of two that is not above the number of tables.
      const power = font.readUInt16BE(8);
      expect(2 ** power <= count && 2 ** (power + 1) > count).toBeTrue();
      expect([font.readUInt16BE(6), font.readUInt16BE(10)]).toEqual([
        16 * 2 ** power,
        16 * (count - 2 ** power),
      ]);
    });
  }

  it('says so where there is none', () => {
    expect(() => expandWoff(Buffer.from('wOF2'.padEnd(60, ' ')))).toThrowError(RangeError, /no WOFF 1\.0/);
    expect(() => expandWoff(Buffer.alloc(0))).toThrowError(RangeError);
    const cut = readFileSync(FONT_FILES.normal).subarray(0, 300);
    expect(() => expandWoff(cut)).toThrow();
  });
});
