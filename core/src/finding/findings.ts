/**
 * Everything that can be wrong, unsure or worth a warning, as data. One table of codes; the wording lives here
 * and nowhere else. `danger` and `decision` keep a label in draft; `caution` and `note` inform.
 */
export type Severity = 'danger' | 'decision' | 'caution' | 'note';
export type Figures = Readonly<Record<string, string | number>>;

interface FindingKind {
  severity: Severity;
  message: (figures: Figures) => string;
}

const kind = (severity: Severity, message: (f: Figures) => string): FindingKind => ({ severity, message });

/** A known trap as a sentence of its own; nothing where none is known. */
function because(trap: string | number | undefined): string {
  const words = String(trap ?? '');
  return words === '' ? '' : ` ${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

export const FINDING_KINDS = {
  'text-empty': kind('danger', () => 'There is nothing to read yet: paste or type a recipe.'),
  'text-cut': kind(
    'caution',
    (f) => `The text is long: the first ${f['lines']} lines were read, the rest is kept but not read.`,
  ),
  'line-cut': kind('caution', (f) => `Only the first ${f['characters']} characters of this line were read.`),
  'no-lines': kind('danger', () => 'No ingredient line was found in the text.'),
  'no-steps': kind('note', () => 'No steps were found, so no simmering or baking loss is worked out.'),
  'no-portions': kind('decision', () => 'How many portions does it make? The text does not say.'),

  'food-unknown': kind('decision', (f) => `Which food is "${f['name']}"? It is not in the larder.`),
  'food-unsure': kind('decision', (f) => `"${f['written']}" was read as ${f['name']}. Is that right?`),
  'state-unsure': kind('decision', (f) => `${f['name']}: ${f['states']}? The line does not say.`),
  'alternative-open': kind('decision', (f) => `${f['name']} or ${f['other']}: which one goes in?`),
  'amount-vague': kind('decision', (f) => `How much is this kitchen's ${f['word']} of ${f['name']}?`),
  'amount-to-taste': kind('decision', (f) => `${f['name']} to taste: how many grams were used?`),
  'amount-missing': kind('decision', (f) => `How much ${f['name']}? The line gives no amount.`),
  'amount-shared': kind(
    'decision',
    (f) => `How much ${f['name']}? ${f['amount']} is said for several foods together.`,
  ),
  'amount-absurd': kind('decision', (f) => `${f['written']} cannot be right. How many grams?`),
  'amount-guessed': kind(
    'decision',
    (f) => `No one has weighed ${f['written']} of ${f['name']} yet: ${f['grams']} g is a guess.`,
  ),
  'amount-range': kind('note', (f) => `A range was written; the middle, ${f['grams']} g, is used.`),
  'weight-contradiction': kind(
    'decision',
    (f) => `The line says ${f['stated']} g, but ${f['written']} of ${f['name']} weighs ${f['reckoned']} g.`,
  ),
  'optional-line': kind('note', (f) => `${f['name']} is optional; it is counted in.`),
  'pack-unknown': kind(
    'decision',
    (f) => `Check the pack: no ${f['name']} pack is on record.${because(f['trap'])}`,
  ),
  'statement-changed': kind(
    'decision',
    (f) => `The statement of ${f['product']} changed. Read the pack of ${f['name']} again and confirm it.`,
  ),
  'certificate-unknown': kind(
    'decision',
    (f) => `Check the pack: ${f['name']} may hold or carry ${f['allergens']}.${because(f['trap'])}`,
  ),
  'named-nowhere': kind(
    'decision',
    (f) => `"${f['written']}" stands in ${f['places']} and in no line of the list. Is it in the dish?`,
  ),
  'named-unknown': kind(
    'decision',
    (f) =>
      `"${f['written']}" stands in a food's place in ${f['places']}, and nobody knows it. Is it in the dish?`,
  ),
  'line-unused': kind('note', (f) => `No step uses ${f['name']}.`),
  'step-names-missing': kind('caution', (f) => `A step names ${f['name']}, which is not in the list.`),
  'step-amount-hidden': kind(
    'caution',
    (f) => `A step uses ${f['written']}, which the list lacks. Without it the weight is too low.`,
  ),
  'pulse-boil-missing': kind(
    'caution',
    (f) =>
      `No step boils the ${f['name']}. From dry they need a full boil of 30 minutes in fresh water first.`,
  ),
  'liquid-short': kind(
    'caution',
    (f) =>
      `${f['liquid']} g of liquid for ${f['dry']} g of dry grain and pulses: they take up about ${f['needs']} g. Check the amounts.`,
  ),
  'liquid-long': kind(
    'caution',
    (f) =>
      `${f['liquid']} g of liquid for ${f['dry']} g of dry grain and pulses: they take up only about ${f['needs']} g. Check the amounts.`,
  ),
  'temperature-contradiction': kind(
    'caution',
    (f) =>
      `A step says ${f['celsius']} °C and ${f['fahrenheit']} °F; ${f['celsius']} °C is ${f['reckoned']} °F.`,
  ),

  'gas-mark-contradiction': kind(
    'caution',
    (f) =>
      `A step says gas mark ${f['mark']} and ${f['celsius']} °C; mark ${f['mark']} is about ${f['reckoned']} °C.`,
  ),
  'temperature-unit': kind(
    'caution',
    (f) =>
      `A step says ${f['degrees']} degrees: °C or °F? ${f['degrees']} °F is ${f['asCelsius']} °C. Write which into the step.`,
  ),

  'component-cycle': kind('danger', (f) => `${f['name']} contains itself: ${f['path']}. Break the circle.`),
  'component-missing': kind('danger', (f) => `${f['name']} is no longer in the book or the larder.`),
  'target-invalid': kind('danger', (f) => `The target cannot be used: ${f['reason']}.`),
  'line-grams-unknown': kind('note', (f) => `${f['name']} is not weighed, so every figure says "at least".`),

  'lines-unweighed': kind(
    'caution',
    (f) =>
      `${f['names']} ${f['count'] === 1 ? 'has' : 'have'} no weight: ${f['share'] === '' ? 'how much of the dish is known cannot be said' : `about ${f['share']} % of the dish is known`}. What is known scales; every total is "at least".`,
  ),
  'yield-predicted': kind(
    'note',
    (f) => `The finished weight is predicted, ${f['low']} to ${f['high']} kg. Weigh the batch to settle it.`,
  ),
  'yield-contradiction': kind(
    'caution',
    (f) =>
      `The recipe says ${f['portions']} portions of ${f['grams']} g, but its lines come to ${f['reckoned']}. Count or weigh again.`,
  ),
  'home-vessel-assumed': kind(
    'note',
    (f) => `The home recipe names no vessel: a ${f['name']} is assumed (convention) for the water it loses.`,
  ),
  'water-not-enough': kind(
    'caution',
    (f) => `The recipe has ${f['excess']} kg more water than this batch can lose: simmer longer or lid off.`,
  ),
  'water-absorbed': kind(
    'note',
    (f) =>
      `The list names no water for ${f['name']}: it takes up about ${f['grams']} g when soaked or cooked (reference).`,
  ),
  'oil-taken-up': kind(
    'note',
    (f) =>
      `Of the ${f['name']} the food takes up about ${f['taken']} g (convention); ${f['left']} g stay in the pan and are not counted.`,
  ),
  'water-poured-off': kind(
    'note',
    (f) =>
      `Of the cooking water ${f['drunk']} g go into the food (reference); ${f['grams']} g are poured off, with their share of the salt, and not eaten.`,
  ),
  'bath-open': kind(
    'decision',
    (f) =>
      `${f['grams']} of ${f['name']} with ${f['food']}: is all of it eaten, or does what the food does not take up ${f['where']}?`,
  ),
  'marinade-left': kind(
    'note',
    (f) =>
      `Of the marinade about ${f['taken']} g stay on the food (convention); ${f['left']} g are thrown away and not counted.`,
  ),
  'salt-rinsed': kind(
    'note',
    (f) => `Of the salt about ${f['left']} g are rinsed off (convention) and not counted.`,
  ),
  'strained-off': kind(
    'caution',
    (f) =>
      `Strained out: ${f['names']}. About ${f['percent']} % of it passes (convention). Weigh what stays behind to know better.`,
  ),
  sieved: kind(
    'note',
    (f) => `Passed through a sieve: ${f['names']}. About ${f['percent']} % of it passes (convention).`,
  ),
  'water-pressed': kind(
    'note',
    (f) => `${f['name']} loses about ${f['grams']} g of water when it is pressed (reference).`,
  ),
  'assay-impossible': kind(
    'danger',
    (f) =>
      `The figures cannot be right: ${f['says']}.${f['line'] === '' ? '' : ` Most of it is ${f['line']}: check its weight, the yield and the method.`}`,
  ),
  'assay-unlikely': kind(
    'decision',
    (f) =>
      `Is that right: ${f['says']}?${f['line'] === '' ? '' : ` Most of it is ${f['line']}. Check its weight, the yield and the method.`}`,
  ),
  'assay-confirmed': kind('note', (f) => `${f['says']}: ${f['by']} stands for it, ${f['on']}.`),
  'steam-capped': kind(
    'caution',
    (f) =>
      `The steps would boil off ${f['steam']} g, and only about ${f['most']} g can leave: drying slows as the water goes. Check the times.`,
  ),
  'machine-missing': kind(
    'caution',
    (f) =>
      `The steps need a ${f['machine']}, and this kitchen has none on record. Loads are not worked out for it.`,
  ),
  'scale-too-coarse': kind(
    'caution',
    (f) =>
      `No scale of this kitchen shows ${f['name']} closely enough. Weigh several loads at once, or go by the spoons where they are given.`,
  ),
  'ratio-off': kind(
    'caution',
    (f) =>
      `${f['name']} is ${f['text']}, so it ${f['words']}; usual is ${f['band']}. Check before you weigh.`,
  ),
  'pans-short': kind(
    'caution',
    (f) => `${f['wanted']} x ${f['name']} are needed; this kitchen has ${f['owned']}.`,
  ),
  'garnish-by-weight': kind(
    'note',
    () => 'For so small a batch fat and garnish are taken by weight, not by pan and portion.',
  ),
  'not-whole-food': kind('caution', (f) => `${f['name']} ${f['reason']}: this kitchen cooks whole food.`),
  'frying-fat': kind('caution', (f) => `${f['name']} in the pan: this kitchen fries in ${f['way']}.`),
  'salt-asked': kind(
    'caution',
    (f) => `${f['name']} is ${f['percent']} % of the dish: this kitchen's salt is ${f['way']}.`,
  ),
  'way-asked': kind('caution', (f) => `${f['name']}: this kitchen's ${f['question']} is ${f['way']}.`),
  'build-asked': kind('note', (f) =>
    f['way'] === 'one pot'
      ? `This kitchen builds in one pot; this dish has ${f['parts']} components and ${f['machines']} machines.`
      : 'This kitchen cooks components apart and combines them; nothing of this dish is made apart.',
  ),
  'pulses-asked': kind('caution', (f) => `${f['name']}: this kitchen takes pulses ${f['way']}.`),
  'figure-missing': kind(
    'caution',
    (f) => `${f['nutrient']} is "at least": ${f['lines']} unknown. The label stays a draft.`,
  ),
  'target-missed': kind(
    'caution',
    (f) => `${f['figure']} is ${f['amount']} in a portion: ${f['words']} ${f['bound']}${f['who']}.`,
  ),
  'target-unknown': kind(
    'note',
    (f) => `Whether ${f['figure']} meets ${f['bound']}${f['who']} is not known: some figures are missing.`,
  ),
  'label-too-small': kind(
    'danger',
    (f) =>
      `The text needs ${f['needs']} mm of height on ${f['width']} mm at the smallest type the law allows; this paper has ${f['has']} mm. Choose larger paper.`,
  ),
  'form-not-allowed': kind(
    'danger',
    (f) =>
      `The ${f['form']} form may not stand on a pack of this size. Say how large the pack is, or choose another form.`,
  ),
  'form-lacks-whole': kind(
    'danger',
    (f) =>
      `The ${f['form']} form has no room for the whole container beside the serving. Choose larger paper.`,
  ),
  'label-word-broken': kind(
    'danger',
    (f) => `A word is wider than its column and would be broken: ${f['words']}. Choose wider paper.`,
  ),
  'code-too-small': kind(
    'danger',
    (f) =>
      `The code needs ${f['needs']} mm of width to be read; there are ${f['has']} mm. Choose wider paper or the other code.`,
  ),
  'label-letters': kind(
    'decision',
    (f) =>
      `The type has no letter for ${f['letters']}: "?" would be printed. Write the name in other letters.`,
  ),
  'label-untranslated': kind(
    'decision',
    (f) =>
      `Nobody has translated ${f['names']}${Number(f['count']) > 5 ? `, and ${Number(f['count']) - 5} more` : ''}: it would stand in English.`,
  ),
  'figure-off-band': kind(
    'caution',
    (f) =>
      `${f['figure']} on the label is ${f['text']}, and the food may hold ${f['low']} to ${f['high']}: ${f['rule']}.`,
  ),
  'variant-not-free': kind(
    'danger',
    (f) => `This variant is to be free from ${f['exclusion']}, but it is not: ${f['paths']}. Plan it again.`,
  ),

  'variant-unread': kind(
    'decision',
    (f) => `To be free from ${f['exclusion']}, these packs must be read first: ${f['paths']}.`,
  ),
  'variant-unknown': kind(
    'danger',
    (f) =>
      `This variant is to be free from ${f['exclusion']}, and nobody knows in this kitchen what that is.`,
  ),
  'swap-unfit': kind(
    'decision',
    (f) => `The swap for ${f['name']} no longer fits: ${f['reason']}. Plan it again, or take the swap out.`,
  ),
  'cooked-apart': kind(
    'caution',
    (f) => `Cook it apart, on clean equipment: not in or on the ${String(f['equipment']).toLowerCase()}.`,
  ),

  'animal-food': kind('danger', (f) => `${f['name']} comes from an animal. This dish is not vegan.`),
  'animal-check': kind('decision', (f) => `Check the pack: ${f['name']} may be of animal origin.`),
  'phaseolus-from-dry': kind(
    'caution',
    (f) =>
      `${f['name']} from dry: soak 5 hours or more, throw the water away, boil fresh for 30 minutes before any slow cooking.`,
  ),
  'whole-nut-small-children': kind(
    'caution',
    (f) => `${f['name']}: not whole for small children, who can choke on it.`,
  ),
  'nutmeg-dose': kind('caution', () => 'Nutmeg is harmful in teaspoons. Keep to a grating.'),
  'iodine-seaweed': kind('caution', (f) => `${f['name']} can hold much iodine. Ask the dietitian.`),
  'raw-sprouts': kind(
    'caution',
    (f) => `${f['name']}: raw sprouts are not for hospital patients or young children. Cook them through.`,
  ),
  'cool-and-hold': kind(
    'note',
    (f) => `Hold hot at ${f['hot']} °C or above. To cool: ${f['cooling']}. Follow your local food code.`,
  ),
} as const satisfies Record<string, FindingKind>;

export type FindingCode = keyof typeof FINDING_KINDS;

export interface Finding {
  code: FindingCode;
  severity: Severity;
  /** The line it stands on; null when it is about the whole. */
  lineId: string | null;
  message: string;
  figures: Figures;
}

/** Makes a finding of a code; its severity and words come from the table. */
export function finding(code: FindingCode, lineId: string | null, figures: Figures = {}): Finding {
  const { severity, message } = FINDING_KINDS[code] as FindingKind;
  const words = message(figures);
  return { code, severity, lineId, message: words.charAt(0).toUpperCase() + words.slice(1), figures };
}

const URGENCY: Readonly<Record<Severity, number>> = { danger: 0, decision: 1, caution: 2, note: 3 };

/** Worst first, otherwise in the order given. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((one, other) => URGENCY[one.severity] - URGENCY[other.severity]);
}

/** Whether a finding keeps the label in draft until someone answers it. */
export const isOpen = (each: Finding): boolean =>
  each.severity === 'danger' || each.severity === 'decision' || each.code === 'figure-missing';
