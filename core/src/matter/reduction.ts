/** Boiling down to a mark: "by half", "until the liquid is gone". The mark decides, whatever the clock says. */

/** What a method says leaves: a share of what is in the pot, or all liquid that nothing drinks. */
export type Reduction = { kind: 'share'; share: number; isLiquidOnly: boolean } | { kind: 'liquid' };

const SHARES: Readonly<Record<string, number>> = {
  half: 0.5,
  'a half': 0.5,
  'one half': 0.5,
  'a third': 1 / 3,
  'one third': 1 / 3,
  'a quarter': 0.25,
  'one quarter': 0.25,
  'two thirds': 2 / 3,
  'three quarters': 0.75,
};
const FRACTION = '(half|(?:a|one) (?:half|third|quarter)|two[- ]thirds|three[- ]quarters)';
const BY = new RegExp(
  `\\breduc(?:e|es|ed|ing)\\b[^.;]{0,40}?\\bby (?:about |around |roughly )?${FRACTION}`,
  'i',
);
const TO = new RegExp(
  `\\breduc(?:e|es|ed|ing)\\b[^.;]{0,40}?\\bto (?:about |around |roughly )?${FRACTION}|\\bboil(?:ed)? down to ${FRACTION}`,
  'i',
);
const PERCENT = /\breduc(?:e|es|ed|ing)\b[^.;]{0,40}?\bby (\d{1,2}) ?(?:%|per ?cent)/i;
const GONE =
  /\buntil (?:all |most of )?(?:the |its |their )?(?:liquid|water|wine|juices?|moisture|it) (?:is|are|has|have)(?: all| almost| nearly)* (?:gone|evaporated|cooked (?:off|away)|boiled (?:off|away))|\buntil (?:it is |the pan is )?(?:almost |nearly )?dry\b/i;

/** "Reduce the liquor by half": of what was lifted out nothing leaves. */
const LIQUID_ONLY =
  /\breduc\w+ the (?:cooking |poaching )?(?:liquor|liquid|syrup|juices?|wine|stock|marinade|vinegar|cooking water)\b/i;

/** What a step says leaves the pot; null where it sets no mark. */
export function reductionOf(text: string): Reduction | null {
  const word = (found: RegExpExecArray | null): number | null => {
    const said = found?.slice(1).find(Boolean);
    return said === undefined ? null : (SHARES[said.toLowerCase().replace('-', ' ')] ?? null);
  };
  const by = word(BY.exec(text));
  const isLiquidOnly = LIQUID_ONLY.test(text);
  if (by !== null) return { kind: 'share', share: by, isLiquidOnly };
  const to = word(TO.exec(text));
  if (to !== null) return { kind: 'share', share: 1 - to, isLiquidOnly };
  const percent = PERCENT.exec(text);
  if (percent) return { kind: 'share', share: Number(percent[1]) / 100, isLiquidOnly };
  return GONE.test(text) ? { kind: 'liquid' } : null;
}
