/**
 * What each law asks of each kind of label, point by point, and whether the label has it: a label is complete when nothing is
 * missing. Local rules go further in places; who releases a label answers for it.
 */
import { hasPanel, isOnPack, type LabelKind, type ReferenceProblem } from '../../declaration';
import type { Regime } from '../../food';
import type { Country } from '../../kitchen';
import { businessLines, keepText, type LabelContent, netText, portionsText } from './content';
import { claimInText } from './free-text';

export type DemandId =
  | 'name'
  | 'ingredients'
  | 'allergens'
  | 'quid'
  | 'net-quantity'
  | 'date'
  | 'storage'
  | 'business'
  | 'batch'
  | 'nutrition'
  | 'portions'
  | 'serving-size'
  | 'reference-amount'
  | 'whole-container'
  | 'language'
  | 'ask';

/** `at print`: it comes with the batch. `not asked`: the law asks for it in other cases than this one. */
export type DemandStanding = 'met' | 'missing' | 'at print' | 'not asked';

export interface Demand {
  id: DemandId;
  /** What is asked for. */
  what: string;
  source: string;
  standing: DemandStanding;
  /** What stands on the label, or what is to be done. */
  words: string;
}

type Answer = readonly [DemandStanding, string];
interface Rule {
  what: string;
  source: Readonly<Record<Regime, string>>;
  answer: (content: LabelContent) => Answer;
}

const met = (words: string): Answer => ['met', words];
const missing = (words: string): Answer => ['missing', words];
const orMissing = (text: string, wanted: string): Answer => (text === '' ? missing(wanted) : met(text));
/** Net weight and portions agree within this. */
const SAME_WEIGHT = 0.05;
/** Heaviest food of a kitchen, grams a millilitre: a thick paste. */
const DENSEST = 1.4;
/** Water in 100 g above which a food that stands warm grows what it should not: breads stay below, stews and spreads above (convention). */
const MOIST = 50;
const PACK_PLATE = 'Say it under "How it is packed".';

const REFERENCE_WORDS: Readonly<Record<ReferenceProblem, string>> = {
  'no reference amount': `Which kind of food it is, so that its reference amount is known. ${PACK_PLATE}`,
  'its cup is not weighed': `Its reference amount is by the cup or spoon: say how much of one a portion is. ${PACK_PLATE}`,
  'one serving': 'The pack is less than twice the reference amount: the law makes it one serving.',
  'serving far from it':
    'A serving is the household measure nearest the reference amount, or a piece of half to twice of it: change the portion or its measure.',
};

const RULES: Readonly<Record<DemandId, Rule>> = {
  name: {
    what: 'Name of the food',
    source: { eu: '1169/2011 articles 9(1)(a) and 17', us: '21 CFR 101.3' },
    answer: ({ title, kind }) => {
      const claim = isOnPack(kind) || hasPanel(kind) ? claimInText(title) : null;
      return claim
        ? missing(
            `"${claim}" in the name is a claim that nobody has confirmed. Say what it is called on labels under "How it is packed".`,
          )
        : orMissing(title.trim(), 'The dish has no name.');
    },
  },
  ingredients: {
    what: 'Ingredients by weight, compound ones opened',
    source: { eu: '1169/2011 articles 9(1)(b), 18 and Annex VII', us: '21 CFR 101.4' },
    answer: ({ ingredients }) =>
      ingredients.length === 0 ? missing('The dish has no ingredients.') : met('listed'),
  },
  allergens: {
    what: 'Allergens',
    source: { eu: '1169/2011 articles 9(1)(c) and 21, Annex II', us: '21 U.S.C. 343(w)' },
    answer: ({ unconfirmed, contains, named }) => {
      if (unconfirmed !== '') return missing(`${unconfirmed} Read the packs.`);
      return met(contains || (named.contains.length > 0 ? named.contains.join(', ') : 'none to declare'));
    },
  },
  quid: {
    what: 'Quantity of what the name or a picture stresses',
    source: { eu: '1169/2011 article 22 and Annex VIII', us: '' },
    answer: ({ ingredients }) => {
      const found = ingredients.some(({ text }) => /\d ?%|\d g (?:per|por|pour|je) 100/.test(text));
      return found ? met('stands after the ingredient') : ['not asked', 'the name stresses no ingredient'];
    },
  },
  'net-quantity': {
    what: 'Net quantity',
    source: { eu: '1169/2011 articles 9(1)(e) and 23', us: '21 CFR 101.7' },
    answer: (content) => {
      const { netGrams, portions, containerMl } = content.pack;
      const told = portions === null ? null : portions * content.portionGrams;
      if (netGrams !== null && told !== null && Math.abs(netGrams / told - 1) > SAME_WEIGHT)
        return missing(
          `The pack is said to hold ${Math.round(netGrams)} g, and its portions weigh ${Math.round(told)} g. ${PACK_PLATE}`,
        );
      if (netGrams !== null && containerMl !== null && netGrams > containerMl * DENSEST)
        return missing(`${Math.round(netGrams)} g do not go into ${containerMl} ml. ${PACK_PLATE}`);
      return orMissing(netText(content), `How many portions or grams a pack holds. ${PACK_PLATE}`);
    },
  },
  date: {
    what: 'Use-by or best-before date',
    source: { eu: '1169/2011 articles 9(1)(f) and 24', us: 'FDA Food Code 3-501.17' },
    answer: ({ facts, pack }) => {
      if (facts.useBy !== null) return met(facts.useBy);
      if (pack.keepsDays === null) return missing(`How many days it keeps, so kept. ${PACK_PLATE}`);
      return ['at print', `${pack.keepsDays} days, the day of making counted`];
    },
  },
  storage: {
    what: 'How it is kept',
    source: { eu: '1169/2011 articles 9(1)(g) and 25', us: 'FDA guidance, 62 FR 8248 (1997)' },
    answer: (content) => {
      const { pack, waterGrams } = content;
      if (pack.keeping === null) return missing(`Nobody has said it. ${PACK_PLATE}`);
      if (pack.keeping === 'ambient' && (waterGrams === null || waterGrams > MOIST))
        return missing(
          waterGrams === null
            ? 'How moist it is, is not known: it is kept cold until somebody who may says otherwise.'
            : `Food as moist as this, ${Math.round(waterGrams)} % water, is kept cold unless a tested process keeps it safe (FDA Food Code 1-201.10; 852/2004): ask your food safety officer.`,
        );
      return met(keepText(content));
    },
  },
  business: {
    what: 'Name and address of the business',
    source: { eu: '1169/2011 articles 8 and 9(1)(h)', us: '21 CFR 101.5' },
    answer: (content) =>
      content.pack.business.name.trim() === '' || content.pack.business.address.trim() === ''
        ? missing('The name and address of the business: say them in the kitchen’s settings.')
        : met(businessLines(content).join(', ')),
  },
  batch: {
    what: 'Batch',
    source: { eu: 'Directive 2011/91/EU', us: '' },
    answer: ({ facts }) => (facts.batchCode ? met(facts.batchCode) : ['at print', 'the batch code']),
  },
  nutrition: {
    what: 'Nutrition table',
    source: { eu: '1169/2011 articles 9(1)(l) and 30 to 35', us: '21 CFR 101.9' },
    answer: ({ figures, kind, hasNutrientClaim }) => {
      if (!hasPanel(kind))
        return hasNutrientClaim
          ? missing(
              'A claim about a nutrient asks for the nutrition table: print the whole label, or leave the claim.',
            )
          : ['not asked', 'packed where it is sold, and without a claim'];
      const lacks = figures.filter(({ isIncomplete }) => isIncomplete).map(({ name }) => name);
      return lacks.length > 0
        ? missing(`Not known to the end: ${lacks.join(', ')}.`)
        : met('every figure is known');
    },
  },
  portions: {
    what: 'Portions in the pack, where figures per portion stand',
    source: { eu: '1169/2011 article 33', us: '' },
    answer: (content) => orMissing(portionsText(content), `How many portions a pack holds. ${PACK_PLATE}`),
  },
  'serving-size': {
    what: 'Serving size in a household measure',
    source: { eu: '', us: '21 CFR 101.9(b)(5) and (d)(3)' },
    answer: ({ pack }) =>
      pack.household
        ? met('stands in the panel')
        : missing(`A portion in cups, spoons or pieces. ${PACK_PLATE}`),
  },
  'reference-amount': {
    what: 'Serving by the reference amount',
    source: { eu: '', us: '21 CFR 101.9(b)(2), (b)(6) and 101.12(b)' },
    answer: ({ pack }) => {
      if (!pack.reference) return missing(`How many portions or grams a pack holds. ${PACK_PLATE}`);
      const { problem, multiple } = pack.reference;
      return problem
        ? missing(REFERENCE_WORDS[problem])
        : met(`the pack is ${multiple!.toFixed(1)} times it`);
    },
  },
  'whole-container': {
    what: 'The whole container beside the serving',
    source: { eu: '', us: '21 CFR 101.9(b)(12)(i)' },
    answer: ({ pack, figures }) => {
      const isTold = figures.some(({ wholeText }) => wholeText !== '');
      if (isTold) return met('two columns');
      return pack.reference?.isWholeAsked
        ? missing('The law asks for a second column of the whole container.')
        : ['not asked', 'asked from two to three times the reference amount'];
    },
  },
  language: {
    what: 'One language, whole',
    source: { eu: '1169/2011 article 15', us: '21 CFR 101.15(c)' },
    answer: ({ untranslated }) =>
      untranslated.length > 0
        ? missing(`Nobody has translated: ${untranslated.slice(0, 5).join('; ')}.`)
        : met('nothing stands in another'),
  },
  ask: {
    what: 'Where a guest may ask',
    source: { eu: '1169/2011 article 44 and national rules', us: 'good practice' },
    answer: () => met('"Ask us about allergens" stands on it'),
  },
};

const PACK_EU: readonly DemandId[] = [
  'name',
  'ingredients',
  'allergens',
  'quid',
  'net-quantity',
  'date',
  'storage',
  'business',
  'batch',
];

/**
 * What is asked of food packed where it is sold. UK: name and full list (Food Information (Amendment) (England) Regulations 2019,
 * and their like); Ireland: allergens in writing, S.I. 489/2014. France (Code de la consommation R412-12 ff), Spain (Real Decreto
 * 126/2015) and Germany (LMIDV § 4) ask for most of article 9 but the nutrition table where the buyer serves himself: that stricter
 * reading is taken, and for any other member state too, for article 44 leaves it to each.
 */
const PACKED_HERE: Readonly<Record<Country, readonly DemandId[]>> = {
  gb: ['name', 'ingredients', 'allergens', 'nutrition', 'language'],
  ie: ['name', 'ingredients', 'allergens', 'nutrition', 'language'],
  fr: [...PACK_EU, 'nutrition', 'language'],
  es: [...PACK_EU, 'nutrition', 'language'],
  de: [...PACK_EU, 'nutrition', 'language'],
  eu: [...PACK_EU, 'nutrition', 'language'],
  us: [
    'name',
    'ingredients',
    'allergens',
    'net-quantity',
    'business',
    'storage',
    'date',
    'nutrition',
    'language',
  ],
};

const BY_KIND: Readonly<
  Record<Exclude<LabelKind, 'prepacked'>, Readonly<Record<Regime, readonly DemandId[]>>>
> = {
  retail: {
    eu: [...PACK_EU, 'nutrition', 'portions', 'language'],
    us: [
      'name',
      'net-quantity',
      'nutrition',
      'serving-size',
      'reference-amount',
      'whole-container',
      'ingredients',
      'allergens',
      'business',
      'storage',
      'date',
      'language',
    ],
  },
  serving: {
    eu: ['name', 'ingredients', 'allergens', 'quid', 'nutrition', 'language'],
    us: ['name', 'ingredients', 'allergens', 'nutrition', 'language'],
  },
  component: { eu: ['name', 'allergens', 'date', 'language'], us: ['name', 'allergens', 'date', 'language'] },
  counter: { eu: ['name', 'allergens', 'ask', 'language'], us: ['name', 'allergens', 'ask', 'language'] },
  tray: { eu: ['name', 'allergens', 'language'], us: ['name', 'allergens', 'language'] },
};

/** Whose rules for food packed where it is sold: a US label has the US ones, whatever the kitchen's country. */
const countryOf = ({ regime, pack }: LabelContent): Country =>
  regime === 'us' ? 'us' : pack.country === 'us' ? 'eu' : pack.country;

/** Everything a law asks of this label, in the order of the law, each with how it stands. */
export function demandsOn(content: LabelContent): Demand[] {
  const { kind, regime } = content;
  const ids = kind === 'prepacked' ? PACKED_HERE[countryOf(content)] : BY_KIND[kind][regime];
  // Whatever a law asks to be printed: what a label tells to keep warm is looked at.
  const isToldWarm = content.pack.keeping === 'ambient' && kind !== 'counter' && kind !== 'tray';
  const asked = isToldWarm && !ids.includes('storage') ? [...ids, 'storage' as const] : ids;
  return asked.map((id) => {
    const { what, source, answer } = RULES[id];
    const [standing, words] = answer(content);
    return { id, what, source: source[regime], standing, words };
  });
}

/** Nothing that its law asks for is missing. */
export const isComplete = (content: LabelContent): boolean =>
  demandsOn(content).every(({ standing }) => standing !== 'missing');

/** What its law asks for and it has not. */
export const missingOn = (content: LabelContent): Demand[] =>
  demandsOn(content).filter(({ standing }) => standing === 'missing');

/** A missing demand as a sentence. */
export const missingWords = ({ what, words }: Demand): string => `${what}: ${words}`;
