/** What a batch will be if everything that is not in yet goes in as planned, and what an entry would change of that. */
import { type AllergenStatus, SALT_PER_SODIUM, STATUS_WORDS } from '../food';
import { passes } from '../kitchen';
import { figureText, gramsText } from '../quantity';
import type { Worksheet } from '../worksheet';
import { cookedSheet } from './as-cooked';
import type { EntryBody, Standing } from './log';
import type { OpenedBatch } from './opened';

export interface Outlook {
  flags: { id: string; name: string; status: AllergenStatus; kinds: readonly string[] }[];
  /** What it was to be free from and is not: names. */
  brokenClaim: string[];
  saltGramsAPortion: number;
  /** A figure of salt is missing: it is at least so much. */
  isSaltAtLeast: boolean;
  /** Grams of water in a gram of the finished dish. */
  waterShare: number;
  finishedGrams: number;
  portions: number;
}

/** Names of what a batch is to be free from and is not, by the policy of those it is for. What nobody knows is not kept. */
export function brokenClaims({ allergens, standards }: Worksheet, { claim, policy }: OpenedBatch): string[] {
  return claim.flatMap((id) => {
    const flag = [...allergens, ...standards].find((each) => each.id === id);
    if (!flag) return [id];
    return flag.traces.every(({ status }) => passes(status, policy)) ? [] : [flag.name];
  });
}

export function outlookOf(sheet: Worksheet, opened: OpenedBatch): Outlook {
  const { nutrition, massBalance, finishedGrams, portions } = sheet;
  const finished = massBalance.rows.find(({ flow }) => flow === 'finished')!;
  return {
    flags: [...sheet.allergens, ...sheet.standards].map(({ id, name, status, kinds }) => ({
      id,
      name,
      status,
      kinds,
    })),
    brokenClaim: brokenClaims(sheet, opened),
    saltGramsAPortion: (nutrition.perPortion.sodiumMg * SALT_PER_SODIUM) / 1000,
    isSaltAtLeast: nutrition.missing.some(({ id }) => id === 'sodiumMg'),
    waterShare: finishedGrams > 0 ? finished.waterGrams / finishedGrams : 0,
    finishedGrams,
    portions,
  };
}

/** An entry that is not written yet, as if it were the last one. */
export const asStanding = (body: Standing['body'], index: number): Standing => ({
  entry: {
    id: `tried-${index}`,
    at: '1970-01-01T00:00:00Z',
    by: '',
    device: '',
    order: index,
    body,
    receivedAt: null,
    aheadSeconds: 0,
    isSigned: false,
  },
  body,
  corrected: null,
});

export interface Effect {
  before: Outlook;
  after: Outlook;
  /** What changes, in words, worst first; empty where nothing does. */
  changes: string[];
  /** A flag gets worse, or what it is to be free from breaks. */
  isWorse: boolean;
}

const ORDER: readonly AllergenStatus[] = ['clear', 'check', 'may-contain', 'contains'];
/** Changes below these are not told: share of salt, of water in the finished dish, of its weight (convention). */
const TOLD = { salt: 0.02, water: 0.003, weight: 0.005 } as const;

function flagChangesOf(before: Outlook, after: Outlook): { words: string; isWorse: boolean }[] {
  return after.flags.flatMap((now) => {
    const then = before.flags.find(({ id }) => id === now.id);
    if (!then || then.status === now.status) return [];
    const kinds = now.kinds.length > 0 ? ` (${now.kinds.join(', ')})` : '';
    return [
      {
        words: `${now.name}: ${STATUS_WORDS[now.status]}${kinds}, was ${STATUS_WORDS[then.status]}`,
        isWorse: ORDER.indexOf(now.status) > ORDER.indexOf(then.status),
      },
    ];
  });
}

/** Two outlooks held against each other. */
export function effectBetween(before: Outlook, after: Outlook): Effect {
  const flags = flagChangesOf(before, after);
  const broken = after.brokenClaim.filter((name) => !before.brokenClaim.includes(name));
  const changes = [
    ...broken.map((name) => `No longer free from ${name.toLowerCase()}`),
    ...flags.sort((one, other) => Number(other.isWorse) - Number(one.isWorse)).map(({ words }) => words),
  ];
  const salt = after.saltGramsAPortion - before.saltGramsAPortion;
  if (Math.abs(salt) > TOLD.salt * Math.max(before.saltGramsAPortion, 0.05))
    changes.push(
      `Salt ${figureText(before.saltGramsAPortion, 2)} to ${after.isSaltAtLeast ? 'at least ' : ''}${figureText(after.saltGramsAPortion, 2)} g a portion`,
    );
  const water = after.waterShare - before.waterShare;
  if (Math.abs(water) > TOLD.water)
    changes.push(
      `${water > 0 ? 'Thinner' : 'Thicker'}: ${figureText(before.waterShare * 100, 1)} to ${figureText(after.waterShare * 100, 1)} % water`,
    );
  const weight = after.finishedGrams - before.finishedGrams;
  if (before.finishedGrams > 0 && Math.abs(weight / before.finishedGrams) > TOLD.weight)
    changes.push(`Yield ${gramsText(before.finishedGrams)} to ${gramsText(after.finishedGrams)}`);
  return { before, after, changes, isWorse: broken.length > 0 || flags.some(({ isWorse }) => isWorse) };
}

/** What entries would change if they were written now. */
export function effectOf(
  opened: OpenedBatch,
  record: readonly Standing[],
  tried: readonly EntryBody[],
): Effect {
  const more = tried.flatMap((body, index) => (body.kind === 'correction' ? [] : [asStanding(body, index)]));
  const before = outlookOf(cookedSheet(opened, record, 'as planned'), opened);
  return effectBetween(before, outlookOf(cookedSheet(opened, [...record, ...more], 'as planned'), opened));
}
