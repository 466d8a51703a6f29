/** Writes the widths of the shipped type to core/src/paper/print/type-metrics.json, so that core can set labels without a font. */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import * as fontkit from 'fontkit';

const resolve = createRequire(join(process.cwd(), 'server', 'package.json')).resolve;
const WEIGHTS = { regular: 400, bold: 700, black: 900 };
const open = (weight) =>
  fontkit.create(readFileSync(resolve(`@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`)));

const regular = open(WEIGHTS.regular);
const characters = regular.characterSet
  .filter((code) => code >= 0x20 && code !== 0x7f && code !== 0xad && code < 0xfff0)
  .map((code) => String.fromCodePoint(code))
  .filter((character) => !/[\p{Cc}\p{Cf}\p{Mn}]/u.test(character));
const em = regular.unitsPerEm;
const widths = {};
for (const [name, weight] of Object.entries(WEIGHTS)) {
  const font = open(weight);
  widths[name] = characters.map((character) => font.glyphForCodePoint(character.codePointAt(0)).advanceWidth);
}
const metrics = {
  unitsPerEm: em,
  ascent: regular.ascent,
  descent: regular.descent,
  xHeight: regular.xHeight,
  capHeight: regular.capHeight,
  characters: characters.join(''),
  widths,
};
writeFileSync('core/src/paper/print/type-metrics.json', `${JSON.stringify(metrics)}\n`);
console.log(
  `${characters.length} characters, x-height ${regular.xHeight / em}, ascent ${regular.ascent}, descent ${regular.descent}`,
);
