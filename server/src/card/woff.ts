import { inflateSync } from 'node:zlib';

const HEADER_BYTES = 44;
const ENTRY_BYTES = 20;
const SFNT_HEADER_BYTES = 12;
const RECORD_BYTES = 16;

const aligned = (bytes: number): number => (bytes + 3) & ~3;

/**
 * A font as it was before it was compressed: whatever asks it for a glyph would inflate the same table again for each.
 *
 * @param woff a font file in WOFF 1.0
 * @returns the same font as an OpenType (sfnt) file
 * @throws RangeError where the file is no WOFF 1.0, or ends within its list of tables; the Error of zlib where a table is cut off
 * @source WOFF File Format 1.0, W3C Recommendation, sections 3 to 5; OpenType 1.9, “Organization of an OpenType font”
 */
export function expandWoff(woff: Buffer): Buffer {
  if (woff.length < HEADER_BYTES || woff.toString('latin1', 0, 4) !== 'wOFF')
    throw new RangeError('This font file is no WOFF 1.0.');
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, index) => {
    const at = HEADER_BYTES + index * ENTRY_BYTES;
    const [offset, packed, length] = [4, 8, 12].map((field) => woff.readUInt32BE(at + field));
    const data = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      // A table that would have grown is kept as it is.
      data: packed < length ? inflateSync(data, { maxOutputLength: length }) : data,
    };
  });

  let offset = SFNT_HEADER_BYTES + count * RECORD_BYTES;
  const sfnt = Buffer.alloc(tables.reduce((sum, { data }) => sum + aligned(data.length), offset));
  const power = Math.floor(Math.log2(count));
  sfnt.writeUInt32BE(woff.readUInt32BE(4), 0);
  sfnt.writeUInt16BE(count, 4);
  sfnt.writeUInt16BE(RECORD_BYTES * 2 ** power, 6);
  sfnt.writeUInt16BE(power, 8);
  sfnt.writeUInt16BE(RECORD_BYTES * (count - 2 ** power), 10);
  for (const [index, { tag, checksum, data }] of tables.entries()) {
    const at = SFNT_HEADER_BYTES + index * RECORD_BYTES;
    tag.copy(sfnt, at);
    sfnt.writeUInt32BE(checksum, at + 4);
    sfnt.writeUInt32BE(offset, at + 8);
    sfnt.writeUInt32BE(data.length, at + 12);
    data.copy(sfnt, offset);
    offset += aligned(data.length);
  }
  return sfnt;
}
