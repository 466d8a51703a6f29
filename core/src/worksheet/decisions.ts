/** What is open about a dish as a list for the cook: worst first, by what it can change. */
import type { WorksheetLine } from '../batch';
import { type Finding, type FindingCode, isOpen } from '../finding';
import { FRYING_OIL_GRAMS, GARNISH_GRAMS_A_PORTION, TO_TASTE_SHARE } from '../kitchen';
import { roundToDecimals } from '../quantity';
import type { Worksheet } from './worksheet';

/** What an open question can change. */
export type Effect = 'allergens' | 'weight' | 'nutrition';

export interface Decision {
  finding: Finding;
  /** The line it stands on; null when it is about the whole dish. */
  line: WorksheetLine | null;
  effects: readonly Effect[];
  /** How much of the dish's weight hangs on it, 0 to 1; null where nobody can say. */
  weightShare: number | null;
  /** Higher is worse. */
  score: number;
}

/**
 * How grave an open question is by kind: who could be hurt first, then weight, then figures (convention). The
 * share of the dish that hangs on it is added.
 */
const GRAVITY: Readonly<Partial<Record<FindingCode, { effects: readonly Effect[]; gravity: number }>>> = {
  'animal-food': { effects: ['allergens'], gravity: 10 },
  'variant-not-free': { effects: ['allergens'], gravity: 10 },
  'component-cycle': { effects: ['allergens', 'weight', 'nutrition'], gravity: 9 },
  'component-missing': { effects: ['allergens', 'weight', 'nutrition'], gravity: 9 },
  'named-nowhere': { effects: ['allergens', 'weight', 'nutrition'], gravity: 9.5 },
  'named-unknown': { effects: ['allergens', 'weight', 'nutrition'], gravity: 8.5 },
  'food-unknown': { effects: ['allergens', 'weight', 'nutrition'], gravity: 9 },
  'variant-unread': { effects: ['allergens'], gravity: 8 },
  'amount-absurd': { effects: ['weight', 'nutrition'], gravity: 8 },
  'statement-changed': { effects: ['allergens'], gravity: 7 },
  'food-unsure': { effects: ['allergens', 'weight', 'nutrition'], gravity: 7 },
  'alternative-open': { effects: ['allergens', 'nutrition'], gravity: 6 },
  'pack-unknown': { effects: ['allergens'], gravity: 5 },
  'certificate-unknown': { effects: ['allergens'], gravity: 5 },
  'animal-check': { effects: ['allergens'], gravity: 5 },
  'no-portions': { effects: ['nutrition'], gravity: 5 },
  'state-unsure': { effects: ['weight', 'nutrition'], gravity: 4 },
  'assay-impossible': { effects: ['weight', 'nutrition'], gravity: 8 },
  'assay-unlikely': { effects: ['weight', 'nutrition'], gravity: 4 },
  'bath-open': { effects: ['weight', 'nutrition'], gravity: 6 },
  'amount-shared': { effects: ['weight', 'nutrition'], gravity: 4 },
  'amount-missing': { effects: ['weight', 'nutrition'], gravity: 4 },
  'weight-contradiction': { effects: ['weight', 'nutrition'], gravity: 3 },
  'amount-guessed': { effects: ['weight', 'nutrition'], gravity: 3 },
  'amount-to-taste': { effects: ['nutrition'], gravity: 2 },
  'amount-vague': { effects: ['weight', 'nutrition'], gravity: 1 },
};
/** A share of the whole dish counts as much as this many steps of gravity. */
const SHARE_WEIGHT = 6;

/** The share of the dish that is uncertain because of one question. */
function shareAtStake(finding: Finding, line: WorksheetLine | null, homeGrams: number): number | null {
  if (!line || !(homeGrams > 0)) return null;
  if (line.baseGrams === null || line.lowGrams === null || line.highGrams === null) return null;
  if (finding.code === 'weight-contradiction') {
    const { stated, reckoned } = finding.figures;
    return Math.min(1, Math.abs(Number(stated) - Number(reckoned)) / homeGrams);
  }
  // Dry or tinned, or another food altogether: the whole line may be wrong by as much again.
  if (finding.code === 'state-unsure' || finding.code.startsWith('food-'))
    return Math.min(1, line.baseGrams / homeGrams);
  return Math.min(1, (line.highGrams - line.lowGrams) / homeGrams);
}

/** A figure a cook may start from where the line gives none, and what it is. */
export interface StartFigure {
  grams: number;
  words: string;
}

/** What a line without an amount can start from, by kitchen convention; null where none holds. */
export function startFigure(
  line: WorksheetLine,
  purpose: 'fry' | 'garnish' | null,
  sheet: Worksheet,
): StartFigure | null {
  if (line.baseGrams !== null) return null;
  if (purpose === 'fry') return { grams: FRYING_OIL_GRAMS, words: 'a spoon of oil' };
  if (purpose === 'garnish') {
    const grams = roundToDecimals(GARNISH_GRAMS_A_PORTION * sheet.basePortions, 0);
    return { grams, words: `${GARNISH_GRAMS_A_PORTION} g a portion` };
  }
  const share = TO_TASTE_SHARE[line.role];
  if (share === undefined || !(sheet.baseGrams > 0)) return null;
  return {
    grams: roundToDecimals(share * sheet.baseGrams, 1),
    words: `${roundToDecimals(share * 100, 1)} % of the dish`,
  };
}

/** Everything open about a worksheet, worst first; equals keep the order of the lines. */
export function decisionsOf(sheet: Worksheet): Decision[] {
  const byLine = new Map(sheet.lines.map((line) => [line.id, line]));
  const decisions = sheet.findings.filter(isOpen).map((finding): Decision => {
    const line = finding.lineId === null ? null : (byLine.get(finding.lineId) ?? null);
    const { effects, gravity } = GRAVITY[finding.code] ?? { effects: ['nutrition' as const], gravity: 1 };
    const share = effects.includes('weight') ? shareAtStake(finding, line, sheet.baseGrams) : null;
    return { finding, line, effects, weightShare: share, score: gravity + (share ?? 0) * SHARE_WEIGHT };
  });
  return decisions
    .map((decision, index) => ({ decision, index }))
    .sort((one, other) => other.decision.score - one.decision.score || one.index - other.index)
    .map(({ decision }) => decision);
}
