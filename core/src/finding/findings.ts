/**
 * Everything that can be wrong, unsure or worth a warning, as data. One table of codes; the wording lives here
 * and nowhere else. `danger` and `decision` keep a label in draft; `caution` and `note` inform.
 */
export type Severity = 'danger' | 'decision' | 'caution' | 'note';

interface FindingKind<F> {
  severity: Severity;
  message: (figures: F) => string;
}

/** The figures that a kind's sentence is made of, by name; those of `May` only where they are known. */
type Told<Name extends string> = Readonly<Record<Name, string | number>>;
type May<Name extends string> = Partial<Told<Name>>;

/** A sentence with figures in it, each by its name. */
const told =
  <Name extends string>(words: TemplateStringsArray, ...names: Name[]) =>
  (figures: Told<Name>): string =>
    words.map((each, index) => `${each}${index < names.length ? figures[names[index]!] : ''}`).join('');

/** Where a reader needs more figures than the sentence tells, `F` names them all. */
const kind = <F = Told<never>>(severity: Severity, message: (f: F) => string): FindingKind<F> => ({
  severity,
  message,
});

/** A known trap as a sentence of its own; nothing where none is known. */
function because(trap: string | number | undefined): string {
  const words = String(trap ?? '');
  return words === '' ? '' : ` ${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

export const FINDING_KINDS = {
  'text-empty': kind('danger', () => 'There is nothing to read yet: paste or type a recipe.'),
  'text-cut': kind(
    'caution',
    told`The text is long: the first ${'lines'} lines were read, the rest is kept but not read.`,
  ),
  'line-cut': kind('caution', told`Only the first ${'characters'} characters of this line were read.`),
  'no-lines': kind('danger', () => 'No ingredient line was found in the text.'),
  'no-steps': kind('note', () => 'No steps were found, so no simmering or baking loss is worked out.'),
  'no-portions': kind('decision', () => 'How many portions does it make? The text does not say.'),

  'food-unknown': kind('decision', told`Which food is "${'name'}"? It is not in the larder.`),
  'food-unsure': kind('decision', told`"${'written'}" was read as ${'name'}. Is that right?`),
  'state-unsure': kind('decision', told`${'name'}: ${'states'}? The line does not say.`),
  'alternative-open': kind('decision', told`${'name'} or ${'other'}: which one goes in?`),
  'amount-vague': kind<Told<'word' | 'name' | 'grams'>>(
    'decision',
    told`How much is this kitchen's ${'word'} of ${'name'}?`,
  ),
  'amount-to-taste': kind('decision', told`${'name'} to taste: how many grams were used?`),
  'amount-missing': kind('decision', told`How much ${'name'}? The line gives no amount.`),
  'amount-shared': kind(
    'decision',
    told`How much ${'name'}? ${'amount'} is said for several foods together.`,
  ),
  'amount-absurd': kind('decision', told`${'written'} cannot be right. How many grams?`),
  'amount-guessed': kind(
    'decision',
    told`No one has weighed ${'written'} of ${'name'} yet: ${'grams'} g is a guess.`,
  ),
  'amount-range': kind('note', told`A range was written; the middle, ${'grams'} g, is used.`),
  'weight-contradiction': kind(
    'decision',
    told`The line says ${'stated'} g, but ${'written'} of ${'name'} weighs ${'reckoned'} g.`,
  ),
  'optional-line': kind('note', told`${'name'} is optional; it is counted in.`),
  'pack-unknown': kind(
    'decision',
    (f: Told<'name'> & May<'trap'>) => `Check the pack: no ${f.name} pack is on record.${because(f.trap)}`,
  ),
  'statement-changed': kind(
    'decision',
    told`The statement of ${'product'} changed. Read the pack of ${'name'} again and confirm it.`,
  ),
  'certificate-unknown': kind(
    'decision',
    (f: Told<'name' | 'allergens'> & May<'trap'>) =>
      `Check the pack: ${f.name} may hold or carry ${f.allergens}.${because(f.trap)}`,
  ),
  'named-nowhere': kind('decision', (f: Told<'written' | 'places' | 'name'> & May<'warns'>) =>
    f.warns
      ? `"${f.written}" in ${f.places} warns of ${f.warns}. Is any of it in the dish?`
      : `"${f.written}" stands in ${f.places} and in no line of the list. Is it in the dish?`,
  ),
  'named-unknown': kind<Told<'written' | 'places' | 'name'>>(
    'decision',
    told`"${'written'}" stands in a food's place in ${'places'}, and nobody knows it. Is it in the dish?`,
  ),
  'line-unused': kind('note', told`No step uses ${'name'}.`),
  'step-names-missing': kind('caution', told`A step names ${'name'}, which is not in the list.`),
  'step-amount-hidden': kind(
    'caution',
    told`A step uses ${'written'}, which the list lacks. Without it the weight is too low.`,
  ),
  'pulse-boil-missing': kind(
    'caution',
    told`No step boils the ${'name'}. From dry they need a full boil of 30 minutes in fresh water first.`,
  ),
  'liquid-short': kind(
    'caution',
    told`${'liquid'} g of liquid for ${'dry'} g of dry grain and pulses: they take up about ${'needs'} g. Check the amounts.`,
  ),
  'liquid-long': kind(
    'caution',
    told`${'liquid'} g of liquid for ${'dry'} g of dry grain and pulses: they take up only about ${'needs'} g. Check the amounts.`,
  ),
  'temperature-contradiction': kind(
    'caution',
    told`A step says ${'celsius'} °C and ${'fahrenheit'} °F; ${'celsius'} °C is ${'reckoned'} °F.`,
  ),

  'gas-mark-contradiction': kind(
    'caution',
    told`A step says gas mark ${'mark'} and ${'celsius'} °C; mark ${'mark'} is about ${'reckoned'} °C.`,
  ),
  'temperature-unit': kind(
    'caution',
    told`A step says ${'degrees'} degrees: °C or °F? ${'degrees'} °F is ${'asCelsius'} °C. Write which into the step.`,
  ),

  'component-cycle': kind('danger', told`${'name'} contains itself: ${'path'}. Break the circle.`),
  'component-missing': kind('danger', told`${'name'} is no longer in the book or the larder.`),
  'target-invalid': kind('danger', told`The target cannot be used: ${'reason'}.`),
  'line-grams-unknown': kind('note', told`${'name'} is not weighed, so every figure says "at least".`),

  'lines-unweighed': kind(
    'caution',
    (f: Told<'names' | 'count' | 'share'>) =>
      `${f.names} ${f.count === 1 ? 'has' : 'have'} no weight: ${f.share === '' ? 'how much of the dish is known cannot be said' : `about ${f.share} % of the dish is known`}. What is known scales; every total is "at least".`,
  ),
  'yield-predicted': kind(
    'note',
    told`The finished weight is predicted, ${'low'} to ${'high'} kg. Weigh the batch to settle it.`,
  ),
  'yield-contradiction': kind(
    'caution',
    told`The recipe says ${'portions'} portions of ${'grams'} g, but its lines come to ${'reckoned'}. Count or weigh again.`,
  ),
  'home-vessel-assumed': kind(
    'note',
    told`The home recipe names no vessel: a ${'name'} is assumed (convention) for the water it loses.`,
  ),
  'water-not-enough': kind(
    'caution',
    told`The recipe has ${'excess'} kg more water than this batch can lose: simmer longer or lid off.`,
  ),
  'water-absorbed': kind(
    'note',
    told`The list names no water for ${'name'}: it takes up about ${'grams'} g when soaked or cooked (reference).`,
  ),
  'oil-taken-up': kind(
    'note',
    told`Of the ${'name'} the food takes up about ${'taken'} g (convention); ${'left'} g stay in the pan and are not counted.`,
  ),
  'water-poured-off': kind(
    'note',
    told`Of the cooking water ${'drunk'} g go into the food (reference); ${'grams'} g are poured off, with their share of the salt, and not eaten.`,
  ),
  'bath-open': kind(
    'decision',
    told`${'grams'} of ${'name'} with ${'food'}: is all of it eaten, or does what the food does not take up ${'where'}?`,
  ),
  'marinade-left': kind(
    'note',
    told`Of the marinade about ${'taken'} g stay on the food (convention); ${'left'} g are thrown away and not counted.`,
  ),
  'salt-rinsed': kind(
    'note',
    told`Of the salt about ${'left'} g are rinsed off (convention) and not counted.`,
  ),
  'strained-off': kind(
    'caution',
    (f: Told<'names' | 'percent'>) =>
      `Strained out: ${f.names}. About ${f.percent} % of it passes (convention). Weigh what stays behind to know better.`,
  ),
  sieved: kind(
    'note',
    told`Passed through a sieve: ${'names'}. About ${'percent'} % of it passes (convention).`,
  ),
  'water-pressed': kind(
    'note',
    told`${'name'} loses about ${'grams'} g of water when it is pressed (reference).`,
  ),
  'assay-impossible': kind(
    'danger',
    (f: Told<'says' | 'line' | 'what' | 'figure'>) =>
      `The figures cannot be right: ${f.says}.${f.line === '' ? '' : ` Most of it is ${f.line}: check its weight, the yield and the method.`}`,
  ),
  'assay-unlikely': kind(
    'decision',
    (f: Told<'says' | 'line' | 'what' | 'figure'>) =>
      `Is that right: ${f.says}?${f.line === '' ? '' : ` Most of it is ${f.line}. Check its weight, the yield and the method.`}`,
  ),
  'assay-confirmed': kind('note', told`${'says'}: ${'by'} stands for it, ${'on'}.`),
  'steam-capped': kind(
    'caution',
    told`The steps would boil off ${'steam'} g, and only about ${'most'} g can leave: drying slows as the water goes. Check the times.`,
  ),
  'machine-missing': kind(
    'caution',
    told`The steps need a ${'machine'}, and this kitchen has none on record. Loads are not worked out for it.`,
  ),
  'scale-too-coarse': kind(
    'caution',
    told`No scale of this kitchen shows ${'name'} closely enough. Weigh several loads at once, or go by the spoons where they are given.`,
  ),
  'ratio-off': kind(
    'caution',
    told`${'name'} is ${'text'}, so it ${'words'}; usual is ${'band'}. Check before you weigh.`,
  ),
  'pans-short': kind('caution', told`${'wanted'} x ${'name'} are needed; this kitchen has ${'owned'}.`),
  'garnish-by-weight': kind(
    'note',
    () => 'For so small a batch fat and garnish are taken by weight, not by pan and portion.',
  ),
  'not-whole-food': kind('caution', told`${'name'} ${'reason'}: this kitchen cooks whole food.`),
  'frying-fat': kind('caution', told`${'name'} in the pan: this kitchen fries in ${'way'}.`),
  'salt-asked': kind(
    'caution',
    told`${'name'} is ${'percent'} % of the dish: this kitchen's salt is ${'way'}.`,
  ),
  'way-asked': kind('caution', told`${'name'}: this kitchen's ${'question'} is ${'way'}.`),
  'build-asked': kind('note', (f: Told<'way' | 'parts' | 'machines'>) =>
    f.way === 'one pot'
      ? `This kitchen builds in one pot; this dish has ${f.parts} components and ${f.machines} machines.`
      : 'This kitchen cooks components apart and combines them; nothing of this dish is made apart.',
  ),
  'pulses-asked': kind('caution', told`${'name'}: this kitchen takes pulses ${'way'}.`),
  'figure-missing': kind(
    'caution',
    told`${'nutrient'} is "at least": ${'lines'} unknown. The label stays a draft.`,
  ),
  'target-missed': kind(
    'caution',
    told`${'figure'} is ${'amount'} in a portion: ${'words'} ${'bound'}${'who'}.`,
  ),
  'target-unknown': kind(
    'note',
    told`Whether ${'figure'} meets ${'bound'}${'who'} is not known: some figures are missing.`,
  ),
  'label-too-small': kind(
    'danger',
    told`The text needs ${'needs'} mm of height on ${'width'} mm at the smallest type the law allows; this paper has ${'has'} mm. Choose larger paper.`,
  ),
  'form-not-allowed': kind(
    'danger',
    told`The ${'form'} form may not stand on a pack of this size. Say how large the pack is, or choose another form.`,
  ),
  'form-lacks-whole': kind(
    'danger',
    told`The ${'form'} form has no room for the whole container beside the serving. Choose larger paper.`,
  ),
  'label-word-broken': kind(
    'danger',
    told`A word is wider than its column and would be broken: ${'words'}. Choose wider paper.`,
  ),
  'code-too-small': kind(
    'danger',
    told`The code needs ${'needs'} mm of width to be read; there are ${'has'} mm. Choose wider paper or the other code.`,
  ),
  'label-letters': kind(
    'decision',
    told`The type has no letter for ${'letters'}: "?" would be printed. Write the name in other letters.`,
  ),
  'label-untranslated': kind(
    'decision',
    (f: Told<'names' | 'count'>) =>
      `Nobody has translated ${f.names}${Number(f.count) > 5 ? `, and ${Number(f.count) - 5} more` : ''}: it would stand in English.`,
  ),
  'figure-off-band': kind(
    'caution',
    told`${'figure'} on the label is ${'text'}, and the food may hold ${'low'} to ${'high'}: ${'rule'}.`,
  ),
  'variant-not-free': kind(
    'danger',
    told`This variant is to be free from ${'exclusion'}, but it is not: ${'paths'}. Plan it again.`,
  ),

  'variant-unread': kind(
    'decision',
    told`To be free from ${'exclusion'}, these packs must be read first: ${'paths'}.`,
  ),
  'variant-unknown': kind(
    'danger',
    told`This variant is to be free from ${'exclusion'}, and nobody knows in this kitchen what that is.`,
  ),
  'swap-unfit': kind<Told<'name' | 'reason' | 'foodId'>>(
    'decision',
    told`The swap for ${'name'} no longer fits: ${'reason'}. Plan it again, or take the swap out.`,
  ),
  'cooked-apart': kind(
    'caution',
    (f: Told<'equipment'>) =>
      `Cook it apart, on clean equipment: not in or on the ${String(f.equipment).toLowerCase()}.`,
  ),

  'animal-food': kind('danger', told`${'name'} comes from an animal. This dish is not vegan.`),
  'animal-check': kind('decision', told`Check the pack: ${'name'} may be of animal origin.`),
  'phaseolus-from-dry': kind(
    'caution',
    told`${'name'} from dry: soak 5 hours or more, throw the water away, boil fresh for 30 minutes before any slow cooking.`,
  ),
  'whole-nut-small-children': kind(
    'caution',
    told`${'name'}: not whole for small children, who can choke on it.`,
  ),
  'nutmeg-dose': kind<Told<'name'>>('caution', () => 'Nutmeg is harmful in teaspoons. Keep to a grating.'),
  'iodine-seaweed': kind('caution', told`${'name'} can hold much iodine. Ask the dietitian.`),
  'raw-sprouts': kind(
    'caution',
    told`${'name'}: raw sprouts are not for hospital patients or young children. Cook them through.`,
  ),
  'cool-and-hold': kind(
    'note',
    told`Hold hot at ${'hot'} °C or above. To cool: ${'cooling'}. Follow your local food code.`,
  ),
} as const satisfies Record<string, FindingKind<never>>;

export type FindingCode = keyof typeof FINDING_KINDS;

/** The figures of a code, as its sentence asks for them. */
export type FiguresOf<Code extends FindingCode> =
  (typeof FINDING_KINDS)[Code] extends FindingKind<infer F> ? ([F] extends [never] ? Told<never> : F) : never;

interface FindingOf<Code extends FindingCode> {
  code: Code;
  severity: Severity;
  /** The line it stands on; null when it is about the whole. */
  lineId: string | null;
  message: string;
  figures: FiguresOf<Code>;
}

/** One thing that is wrong, unsure or worth a warning; its code says which figures it has. */
export type Finding = { [Code in FindingCode]: FindingOf<Code> }[FindingCode];

/** Makes a finding of a code; its severity and words come from the table. */
export function finding<Code extends FindingCode>(
  code: Code,
  lineId: string | null,
  ...[figures]: keyof FiguresOf<Code> extends never ? [] : [figures: FiguresOf<Code>]
): Finding {
  const { severity, message } = FINDING_KINDS[code] as FindingKind<unknown>;
  const words = message(figures);
  return {
    code,
    severity,
    lineId,
    message: words.charAt(0).toUpperCase() + words.slice(1),
    figures: figures ?? {},
  } as Finding;
}

/** Findings of some codes, with the figures of those codes: `found.filter(isOf('swap-unfit'))`. */
export const isOf =
  <Code extends FindingCode>(...codes: Code[]) =>
  (each: Finding): each is Extract<Finding, { code: Code }> =>
    codes.some((code) => code === each.code);

const URGENCY: Readonly<Record<Severity, number>> = { danger: 0, decision: 1, caution: 2, note: 3 };

/** Worst first, otherwise in the order given. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((one, other) => URGENCY[one.severity] - URGENCY[other.severity]);
}

/** Whether a finding keeps the label in draft until someone answers it. */
export const isOpen = (each: Finding): boolean =>
  each.severity === 'danger' || each.severity === 'decision' || each.code === 'figure-missing';
