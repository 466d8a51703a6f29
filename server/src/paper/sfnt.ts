/**
 * A WOFF file as the font it holds (W3C WOFF 1.0): tables inflated once by zlib here, instead of by the PDF library in
 * JavaScript for every document.
 */
import { inflateSync } from 'node:zlib';

const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;

export function sfntOf(woff: Buffer): Buffer {
  const count = woff.readUInt16BE(12);
  const header = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY);
  header.writeUInt32BE(woff.readUInt32BE(4), 0);
  header.writeUInt16BE(count, 4);
  const power = Math.floor(Math.log2(count));
  header.writeUInt16BE(2 ** power * 16, 6);
  header.writeUInt16BE(power, 8);
  header.writeUInt16BE(count * 16 - 2 ** power * 16, 10);
  const tables: Buffer[] = [];
  let offset = header.length;
  for (let index = 0; index < count; index += 1) {
    const from = WOFF_HEADER + index * WOFF_ENTRY;
    const [at, packed, length, checksum] = [4, 8, 12, 16].map((each) => woff.readUInt32BE(from + each)) as [
      number,
      number,
      number,
      number,
    ];
    const data = woff.subarray(at, at + packed);
    const table = packed < length ? inflateSync(data) : data;
    const to = SFNT_HEADER + index * SFNT_ENTRY;
    woff.copy(header, to, from, from + 4);
    header.writeUInt32BE(checksum, to + 4);
    header.writeUInt32BE(offset, to + 8);
    header.writeUInt32BE(length, to + 12);
    const padded = Buffer.alloc(Math.ceil(length / 4) * 4);
    table.copy(padded);
    tables.push(padded);
    offset += padded.length;
  }
  return Buffer.concat([header, ...tables]);
}
