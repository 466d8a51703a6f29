/** Ingredient lines in cooks' own wording, written by others than the makers of the reader; the file says how it is read. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SUBSTANCE_NAMES, SUBSTANCES } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { recipeOf, sheetOf } from '@hand-ladle/testing/world';

const LINES = readFileSync(join('testing', 'cases', 'allergen-lines.txt'), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('#'))
  .map((line) => line.split(' | ') as [string, ...string[]]);

/** Every status a kind has in a dish: an allergen by id, or one substance by its name; null where it is neither. */
function statusesOf(sheet: ReturnType<typeof sheetOf>, kind: string): Set<string> | null {
  const substance = SUBSTANCES.find((each) => SUBSTANCE_NAMES[each].toLowerCase() === kind.toLowerCase());
  const flags = substance ? sheet.allergens : sheet.allergens.filter(({ id }) => id === kind);
  if (!substance && flags.length === 0) return null;
  const traces = flags.flatMap((flag) => flag.traces);
  const own = substance ? traces.filter(({ kinds }) => kinds.includes(SUBSTANCE_NAMES[substance])) : traces;
  return new Set(own.map(({ status }) => status));
}

test('there are 490 of them', () => {
  expect(LINES.length).toBe(490);
});

test.each(LINES)('%s', (text, ...rules) => {
  const sheet = sheetOf(recipeOf([text]), undefined, bare);
  for (const rule of rules) {
    const [what, kinds] = rule.trim().split('=') as [string, string];
    for (const kind of kinds.split(',').map((each) => each.trim())) {
      const vegan = sheet.standards.find(({ id }) => id === 'vegan')!.status;
      if (what === 'V')
        expect([kind, vegan]).toEqual([
          kind,
          kind === 'animal' ? 'contains' : expect.stringMatching(/contains|check/),
        ]);
      const found = statusesOf(sheet, kind);
      if (!found) continue;
      if (what === 'C') expect([kind, [...found]]).toEqual([kind, expect.arrayContaining(['contains'])]);
      if (what === 'K') expect([kind, found.size]).not.toEqual([kind, 0]);
      if (what === 'N') expect([kind, found.has('contains')]).toEqual([kind, false]);
    }
  }
});
