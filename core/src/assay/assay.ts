/**
 * A second pair of eyes on matter: what a scale and a laboratory would say to a finished worksheet before its label is signed. It
 * is given plain figures and shares no code with what worked them out, so that one slip cannot hide in both.
 */
import { ANY_DISH, kindOfDish } from './dish-kinds';

/** A line as it was weighed out for the batch, with what the larder says of 100 g of it; null where that is not known. */
export interface SampleLine {
  id: string;
  name: string;
  text: string;
  grams: number;
  waterG: number | null;
  proteinG: number | null;
  fatG: number | null;
  carbohydrateG: number | null;
  alcoholG: number | null;
  sodiumMg: number | null;
  /** Dry food that takes up water when it is cooked. */
  isDry: boolean;
}

export interface Sample {
  name: string;
  /** Made for other dishes: a paste may be as salt or as fat as it likes. */
  isComponent: boolean;
  steps: readonly string[];
  lines: readonly SampleLine[];
  finishedGrams: number;
  isYieldMeasured: boolean;
  /** Portions of one size, where the batch is served so. */
  portions: number | null;
  portionGrams: number;
  /** What the label is made from, in 100 g. */
  energyKcal: number;
  proteinG: number;
  fatG: number;
  carbohydrateG: number;
  fibreG: number;
  sodiumMg: number;
}

/** What is doubted. `impossible` cannot be; `unlikely` may be so, and a cook can stand for it. */
export interface Doubt {
  what:
    | 'sum'
    | 'energy-factors'
    | 'energy'
    | 'protein'
    | 'fat'
    | 'carbohydrate'
    | 'sodium'
    | 'weight'
    | 'portion'
    | 'kind'
    | 'salt';
  isImpossible: boolean;
  /** The figure that is doubted, and in words what it should be. */
  figure: number;
  says: string;
  /** The line that does most to it; null where none does. */
  lineId: string | null;
}

const KCAL_PER_G = { protein: 4, fat: 9, carbohydrate: 4, alcohol: 7, fibre: 2 };
const SALT_G_PER_SODIUM_MG = 0.0025;
/** Rounding, and tables that do not quite add up (convention). */
const SLACK = { sumG: 2, kcal: 4, share: 0.1, most: 1.03, portion: 0.02 } as const;
/** Dry food never more than sixfold its weight (porridge), dried mushrooms and seaweed tenfold; all else only what sticks of water. */
const MOST_GAIN = { sponge: 11, dry: 6, other: 1.6 } as const;
const SPONGES = /seaweed|wakame|hijiki|kelp|kombu|dulse|arame|mushroom|shiitake|porcini|agar/i;
/** Nothing cooked weighs less than this share of the solids that went in (convention: kale chips are the lightest). */
const LEAST_SHARE = 0.08;
/** Words that take matter out: what went in may be missing from the plate. */
const TAKES_OUT =
  /strain|sieve|drain|discard|rinse|fry|fried|marinad|bag|muslin|cloth|scum|skim|squeez|infus|steep|through|lift|slotted|tongs|plunge|tip |colander|refresh|excess|pour|press/i;

const rounded = (value: number, decimals = 0): string => {
  const scale = 10 ** decimals;
  return String(Math.round(value * scale) / scale);
};

type Part = 'proteinG' | 'fatG' | 'carbohydrateG' | 'sodiumMg';
const PARTS: readonly { part: Part; what: Doubt['what']; unit: string; says: string }[] = [
  { part: 'proteinG', what: 'protein', unit: 'g', says: 'protein' },
  { part: 'fatG', what: 'fat', unit: 'g', says: 'fat' },
  { part: 'carbohydrateG', what: 'carbohydrate', unit: 'g', says: 'carbohydrate' },
  { part: 'sodiumMg', what: 'sodium', unit: 'mg', says: 'sodium' },
];

/** The line that brings most of something. */
function most(lines: readonly SampleLine[], amount: (line: SampleLine) => number): string | null {
  let found: SampleLine | null = null;
  for (const line of lines) if (amount(line) > 0 && (!found || amount(line) > amount(found))) found = line;
  return found?.id ?? null;
}

const energyOf = ({ proteinG, fatG, carbohydrateG, alcoholG }: SampleLine): number =>
  (proteinG ?? 0) * KCAL_PER_G.protein +
  (fatG ?? 0) * KCAL_PER_G.fat +
  (carbohydrateG ?? 0) * KCAL_PER_G.carbohydrate +
  (alcoholG ?? 0) * KCAL_PER_G.alcohol;

/** No more of anything on the plate than went into the pot, and not far less where nothing takes it out. */
function partsAgainstPot(sample: Sample): Doubt[] {
  const { lines, finishedGrams } = sample;
  const hundreds = finishedGrams / 100;
  const isWhole =
    !sample.steps.some((step) => TAKES_OUT.test(step)) && !lines.some(({ text }) => TAKES_OUT.test(text));
  return PARTS.flatMap(({ part, what, unit, says }): Doubt[] => {
    const isKnown = lines.every((line) => line[part] !== null);
    const put = lines.reduce((sum, line) => sum + ((line[part] ?? 0) * line.grams) / 100, 0);
    const plate = sample[part] * hundreds;
    const slack = part === 'sodiumMg' ? 20 * hundreds * 0.1 : 0.2 * hundreds;
    const lineId = most(lines, (line) => (line[part] ?? 0) * line.grams);
    const figures = `${rounded(plate)} ${unit} of ${says} on the plates`;
    if (isKnown && plate > put * SLACK.most + slack)
      return [
        {
          what,
          isImpossible: true,
          figure: sample[part],
          says: `${figures}, and only ${rounded(put)} ${unit} went in`,
          lineId,
        },
      ];
    const least = part === 'sodiumMg' ? 0.5 : 0.85;
    return isWhole && plate < put * least - slack
      ? [
          {
            what,
            isImpossible: false,
            figure: sample[part],
            says: `${figures}, and ${rounded(put)} ${unit} went in: nothing in the method takes it out`,
            lineId,
          },
        ]
      : [];
  });
}

/** What is in 100 g must be no more than 100 g, and its energy that of its parts. */
function partsAgainstWhole(sample: Sample): Doubt[] {
  const { proteinG, fatG, carbohydrateG, fibreG, energyKcal, lines, finishedGrams } = sample;
  const doubts: Doubt[] = [];
  const put = lines.reduce((sum, { grams }) => sum + grams, 0);
  const alcoholG =
    put > 0
      ? (lines.reduce((sum, line) => sum + ((line.alcoholG ?? 0) * line.grams) / 100, 0) /
          Math.max(1, finishedGrams)) *
        100
      : 0;
  const sum = proteinG + fatG + carbohydrateG;
  const heaviest = most(lines, (line) => energyOf(line) * line.grams);
  if (sum > 100 + SLACK.sumG)
    doubts.push({
      what: 'sum',
      isImpossible: true,
      figure: sum,
      says: `protein, fat and carbohydrate come to ${rounded(sum)} g in 100 g`,
      lineId: heaviest,
    });
  if (energyKcal > 900 + SLACK.kcal)
    doubts.push({
      what: 'energy',
      isImpossible: true,
      figure: energyKcal,
      says: `${rounded(energyKcal)} kcal in 100 g is more than pure fat holds`,
      lineId: heaviest,
    });
  const low =
    proteinG * KCAL_PER_G.protein +
    fatG * KCAL_PER_G.fat +
    Math.max(0, carbohydrateG - fibreG) * KCAL_PER_G.carbohydrate;
  const high = low + fibreG * KCAL_PER_G.carbohydrate + alcoholG * KCAL_PER_G.alcohol;
  if (energyKcal < low * (1 - SLACK.share) - SLACK.kcal || energyKcal > high * (1 + SLACK.share) + SLACK.kcal)
    doubts.push({
      what: 'energy-factors',
      isImpossible: true,
      figure: energyKcal,
      says: `${rounded(energyKcal)} kcal in 100 g, and its protein, fat and carbohydrate give ${rounded(low)} to ${rounded(high)}`,
      lineId: heaviest,
    });
  return doubts;
}

/** The finished weight against what went in: no more than it can gain, no less than its dry matter. */
function weightAgainstPot(sample: Sample): Doubt[] {
  const { lines, finishedGrams } = sample;
  const wet = lines.filter(({ waterG }) => (waterG ?? 0) >= 99);
  const solids = lines.filter(({ waterG }) => (waterG ?? 0) < 99);
  const gain = ({ name, grams, isDry }: SampleLine): number => {
    if (!isDry) return grams * MOST_GAIN.other;
    return grams * (SPONGES.test(name) ? MOST_GAIN.sponge : MOST_GAIN.dry);
  };
  const can =
    solids.reduce((sum, line) => sum + gain(line), 0) + wet.reduce((sum, { grams }) => sum + grams, 0);
  const solid = solids.reduce((sum, { grams }) => sum + grams, 0);
  const lineId = most(lines, ({ grams }) => grams);
  if (finishedGrams > can * SLACK.most)
    return [
      {
        what: 'weight',
        isImpossible: !sample.isYieldMeasured,
        figure: finishedGrams,
        says: `${rounded(finishedGrams)} g came of what can weigh ${rounded(can)} g at most`,
        lineId,
      },
    ];
  const isTaken = sample.steps.some((step) => TAKES_OUT.test(step));
  if (!isTaken && solid > 0 && finishedGrams < solid * LEAST_SHARE)
    return [
      {
        what: 'weight',
        isImpossible: false,
        figure: finishedGrams,
        says: `${rounded(finishedGrams)} g are left of ${rounded(solid)} g of food`,
        lineId,
      },
    ];
  return [];
}

function portionsAgainstWhole({ portions, portionGrams, finishedGrams }: Sample): Doubt[] {
  if (portions === null || !(portions > 0) || !(portionGrams > 0) || !(finishedGrams > 0)) return [];
  const served = portions * portionGrams;
  return Math.abs(served / finishedGrams - 1) > SLACK.portion
    ? [
        {
          what: 'portion',
          isImpossible: true,
          figure: portionGrams,
          says: `${rounded(portions, 1)} portions of ${rounded(portionGrams)} g are ${rounded(served)} g, and ${rounded(finishedGrams)} g come out`,
          lineId: null,
        },
      ]
    : [];
}

/** A dish far from its kind in energy or salt. */
function againstKind(sample: Sample): Doubt[] {
  if (sample.isComponent || !(sample.finishedGrams > 0)) return [];
  const kind = kindOfDish(sample.name);
  const { kcal, mostSaltG } = kind ?? ANY_DISH;
  const [least, greatest] = kcal;
  const called = kind ? `a ${kind.name}` : 'a dish';
  const doubts: Doubt[] = [];
  const energy = sample.energyKcal;
  if (energy < least || energy > greatest)
    doubts.push({
      what: 'kind',
      isImpossible: false,
      figure: energy,
      says: `${rounded(energy)} kcal in 100 g; ${called} usually holds ${least} to ${greatest}`,
      lineId: most(
        sample.lines,
        (line) => (energy > greatest ? energyOf(line) : (line.waterG ?? 0)) * line.grams,
      ),
    });
  const saltG = sample.sodiumMg * SALT_G_PER_SODIUM_MG;
  if (saltG > mostSaltG)
    doubts.push({
      what: 'salt',
      isImpossible: false,
      figure: saltG,
      says: `${rounded(saltG, 1)} g of salt in 100 g; ${called} usually holds ${mostSaltG} g at most`,
      lineId: most(sample.lines, (line) => (line.sodiumMg ?? 0) * line.grams),
    });
  return doubts;
}

/** Everything a scale and a laboratory would doubt; nothing where nothing was weighed. */
export function assay(sample: Sample): Doubt[] {
  if (sample.lines.length === 0 || !(sample.finishedGrams > 0)) return [];
  return [
    ...partsAgainstWhole(sample),
    ...partsAgainstPot(sample),
    ...weightAgainstPot(sample),
    ...portionsAgainstWhole(sample),
    ...againstKind(sample),
  ];
}
