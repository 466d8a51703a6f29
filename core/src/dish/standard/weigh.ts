/** Weighs a reading: from cups, pieces, tins and handfuls to grams, each with its origin and spread. */
import { type Finding, finding } from '../../finding';
import { type Food, inSentence, type Measure } from '../../food';
import {
  ABSURD_GRAMS,
  CONTRADICTION_RATIO,
  conventionalWeight,
  DRAINED_SHARE,
  GUESSED_DENSITY,
  HEAPED_FACTOR,
  type Kitchen,
  packOf,
  PIECE_SPREAD,
  SCANT_FACTOR,
  SIZE_FACTOR,
  VOLUME_SPREAD,
} from '../../kitchen';
import {
  figureText,
  grams,
  gramsText,
  isMassUnit,
  isSettled,
  isVagueUnit,
  isVolumeUnit,
  massOf,
  massOfVolume,
  MILLILITRES_PER,
  plusWeight,
  timesFactor,
  timesFigure,
  volumeOf,
  type VolumeUnit,
  type Weight,
  weightWithSpread,
} from '../../quantity';
import { EDIBLE_FORM_WORDS, type Measured, type Reading, type RecipeLine } from '../../recipe';

/** What a line weighs at home: edible portion, and as purchased. Null weight is unknown, never zero. */
export interface LineWeight {
  weight: Weight | null;
  /** Weight as purchased over edible portion, 1 when nothing is trimmed. */
  purchasedPerEdible: number;
  findings: Finding[];
}

const US = MILLILITRES_PER.us;
const MEASURED_VOLUMES = ['cup', 'tbsp', 'tsp'] as const;
/** Which measured volume of a food to go by for a spoon: the spoon's own first, for leaves pack differently in a cup. */
const NEAREST_VOLUMES: Partial<Record<VolumeUnit, readonly (typeof MEASURED_VOLUMES)[number][]>> = {
  tsp: ['tsp', 'tbsp', 'cup'],
  tbsp: ['tbsp', 'tsp', 'cup'],
};

/** The measure of a food for a unit, in the form the line names, else the usual form. */
function measureFor(food: Food, unit: string, form: string): Measure | null {
  let usual: Measure | null = null;
  for (const measure of food.measures) {
    if (measure.unit !== unit) continue;
    if (measure.form !== '' && form.includes(measure.form)) return measure;
    if (measure.form === '' || usual === null) usual = measure;
  }
  return usual;
}

const COUNTED = new Set(['sheet', 'slice', 'leaf', 'stalk', 'ear', 'head', 'cube', 'block']);

function fromMeasure(measure: Measure, because: string): Weight {
  const origin = measure.source === 'convention' || measure.source === 'guess' ? measure.source : 'reference';
  return {
    grams: grams(measure.grams),
    lowGrams: grams(measure.lowGrams),
    highGrams: grams(measure.highGrams),
    origin,
    because,
  };
}

function volumeWeight(one: Measured, food: Food, form: string, kitchen: Kitchen): Weight {
  const unit = one.unit as VolumeUnit;
  const volume = volumeOf(1, unit, kitchen.units);
  for (const name of NEAREST_VOLUMES[unit] ?? MEASURED_VOLUMES) {
    const measure = measureFor(food, name, form);
    if (!measure) continue;
    const density = measure.grams / US[name];
    const because = `${figureText(volume, 1)} mL x ${figureText(density, 3)} g/mL for ${food.name}${
      measure.form ? `, ${measure.form}` : ''
    } (${measure.source})`;
    const origin = measure.source === 'guess' ? 'guess' : 'reference';
    return weightWithSpread(massOfVolume(volume, density), VOLUME_SPREAD, origin, because);
  }
  const guessed = massOfVolume(volume, GUESSED_DENSITY.gramsPerMl);
  const because = `${figureText(volume, 1)} mL, density unknown: guessed at ${GUESSED_DENSITY.gramsPerMl} g/mL`;
  return weightWithSpread(guessed, GUESSED_DENSITY.spread, 'guess', because);
}

/** Solids of the pack this kitchen buys, where somebody noted what it holds. */
function ownPackWeight(food: Food, form: string, kitchen: Kitchen): Weight | null {
  const pack = packOf(kitchen, food.id);
  if (!pack) return null;
  const isWhole = form.includes('undrained') || food.state !== 'tinned';
  const solids = isWhole ? (pack.netGrams ?? pack.drainedGrams) : (pack.drainedGrams ?? null);
  if (solids === null) return null;
  return weightWithSpread(
    grams(solids),
    0,
    'pack label',
    `${gramsText(solids)} in one ${pack.productName} (pack label)`,
  );
}

/** Solids of a tin or pack: the whole of it, or its drained share for foods that come in liquid. */
function packWeight(one: Measured, food: Food, form: string, kitchen: Kitchen): Weight | null {
  const own = one.packGrams === null ? ownPackWeight(food, form, kitchen) : null;
  if (own) return own;
  const measure = measureFor(food, one.unit, '') ?? measureFor(food, 'tin', '');
  if (one.packGrams === null) {
    return measure
      ? fromMeasure(measure, `one ${one.unit} of ${food.name} is ${gramsText(measure.grams)} (reference)`)
      : null;
  }
  const drains = isDrained(food, form);
  const share = drains ? DRAINED_SHARE : 1;
  const because = drains
    ? `${gramsText(one.packGrams)} net x ${DRAINED_SHARE} drained (convention)`
    : `${gramsText(one.packGrams)} net, as written`;
  return weightWithSpread(grams(one.packGrams * share), drains ? 0.05 : 0, 'as written', because);
}

/** Foods that come in one countable unit only are counted in it: "8 rice papers" are 8 sheets. */
function pieceMeasure(food: Food, unit: string, form: string): Measure | null {
  const measure = measureFor(food, unit, form);
  if (measure || unit !== 'piece') return measure;
  const counted = food.measures.filter((each) => COUNTED.has(each.unit));
  return counted.length === 1 ? counted[0]! : null;
}

function pieceWeight(one: Measured, food: Food, form: string): Weight | null {
  const measure = pieceMeasure(food, one.unit, form);
  if (!measure) return null;
  const factor = SIZE_FACTOR[one.size] / SIZE_FACTOR[measure.size];
  const size = one.size === measure.size ? '' : ` x ${figureText(factor)} for ${one.size} (convention)`;
  const because = `one ${one.unit} of ${food.name} is ${gramsText(measure.grams)}${size} (${measure.source})`;
  const spread = factor === 1 ? 0 : PIECE_SPREAD;
  const sized = { value: factor, low: factor * (1 - spread), high: factor * (1 + spread) };
  return timesFigure(fromMeasure(measure, because), sized, because);
}

function vagueWeight(one: Measured, food: Food, kitchen: Kitchen): Weight {
  for (const own of kitchen.weights) {
    if (own.foodId === food.id && own.unit === one.unit) {
      return weightWithSpread(
        grams(own.grams),
        0.1,
        'weighed here',
        `weighed here on ${own.weighedOn}: ${own.grams} g`,
      );
    }
  }
  const measure = measureFor(food, one.unit, '');
  if (measure) {
    const origin = measure.source === 'guess' ? 'guess' : 'convention';
    const because = `a ${one.unit} of ${food.name} is taken as ${gramsText(measure.grams)} (convention)`;
    return { ...fromMeasure(measure, because), origin };
  }
  return conventionalWeight(one.unit as 'pinch');
}

/** Weight of one unit of a measure, as the measure's own basis has it; null when nobody knows. */
function unitWeight(one: Measured, food: Food, form: string, kitchen: Kitchen): Weight | null {
  if (isMassUnit(one.unit)) {
    const each = massOf(1, one.unit);
    return weightWithSpread(each, 0, 'as written', `${gramsText(each)} each, as written`);
  }
  if (isVolumeUnit(one.unit)) return volumeWeight(one, food, form, kitchen);
  if (isVagueUnit(one.unit)) return vagueWeight(one, food, kitchen);
  if (one.unit === 'tin' || one.unit === 'pack' || (one.unit === 'block' && one.packGrams !== null)) {
    return packWeight(one, food, form, kitchen);
  }
  return pieceWeight(one, food, form);
}

/** Whether a measure's weight is as purchased: pieces by the table, plain grams unless a prepared form is named. */
function isPurchased(one: Measured, food: Food, form: string): boolean {
  if (isVolumeUnit(one.unit)) return false;
  if (isMassUnit(one.unit)) return !form.split(/[ ,]+/).some((word) => EDIBLE_FORM_WORDS.has(word));
  return pieceMeasure(food, one.unit, form)?.basis === 'AP';
}

const HEAPING = { level: 1, heaped: HEAPED_FACTOR, scant: SCANT_FACTOR } as const;

function measuredWeight(one: Measured, food: Food, form: string, kitchen: Kitchen): Weight | null {
  const unit = unitWeight(one, food, form, kitchen);
  if (!unit) return null;
  const factor = HEAPING[one.heaping];
  const because = `${figureText(one.value)} x ${unit.because}${factor === 1 ? '' : ` x ${factor} ${one.heaping}`}`;
  return timesFactor(timesFigure(unit, one, because), factor);
}

function trimmed(weight: Weight, food: Food): Weight {
  if (food.trimYield === 1) return weight;
  const share = food.trimYield;
  return timesFactor(weight, share, `${weight.because} x ${figureText(share)} after trimming (reference)`);
}

/** The weight the words of a reading amount to, before a stated weight or an answer overrules it. */
function reckoned(
  reading: Reading,
  food: Food,
  kitchen: Kitchen,
): { weight: Weight | null; purchased: boolean } {
  const weights: Weight[] = [];
  let purchased = false;
  for (const one of reading.measures) {
    const weight = measuredWeight(one, food, reading.form, kitchen);
    if (!weight) return { weight: null, purchased: false };
    purchased ||= isPurchased(one, food, `${reading.form} ${reading.foodText}`);
    weights.push(weight);
  }
  return { weight: weights.length > 0 ? weights.reduce(plusWeight) : null, purchased };
}

function missingAmount(reading: Reading, line: RecipeLine, food: Food): Finding {
  const name = inSentence(food.name);
  if (reading.amountKind === 'to-taste') return finding('amount-to-taste', line.id, { name });
  return finding('amount-missing', line.id, { name });
}

function amountFindings(weight: Weight, reading: Reading, line: RecipeLine, food: Food): Finding[] {
  const reckonedGrams = figureText(weight.grams, weight.grams < 10 ? 1 : 0);
  const vague = reading.measures.find((each) => isVagueUnit(each.unit));
  if (!(weight.grams > 0 && weight.grams <= ABSURD_GRAMS)) {
    return [finding('amount-absurd', line.id, { written: line.text.slice(0, 60) })];
  }
  if (vague && !isSettled(weight.origin)) {
    return [
      finding('amount-vague', line.id, {
        word: vague.unit,
        name: inSentence(food.name),
        grams: reckonedGrams,
      }),
    ];
  }
  if (weight.origin === 'guess') {
    return [
      finding('amount-guessed', line.id, {
        written: reading.amountText,
        name: inSentence(food.name),
        grams: reckonedGrams,
      }),
    ];
  }
  return reading.amountKind === 'range' ? [finding('amount-range', line.id, { grams: reckonedGrams })] : [];
}

/** A weight written in brackets wins; if spoons or pieces say something quite different, that is a decision. */
function stated(
  line: RecipeLine,
  food: Food,
  { weight, purchased }: { weight: Weight | null; purchased: boolean },
  purchasedPerEdible: number,
): LineWeight {
  const { reading } = line;
  const written = grams(reading.statedGrams!);
  const own = weightWithSpread(written, 0, 'as written', `${gramsText(written)} stated in the line`);
  const findings: Finding[] = [];
  const ratio = weight && weight.grams > 0 ? Math.max(written / weight.grams, weight.grams / written) : 1;
  if (weight && weight.origin === 'reference' && ratio > CONTRADICTION_RATIO) {
    const figures = {
      stated: written,
      reckoned: figureText(weight.grams, 0),
      written: reading.amountText,
      name: inSentence(food.name),
    };
    findings.push(finding('weight-contradiction', line.id, figures));
  }
  return {
    weight: purchased ? trimmed(own, food) : own,
    purchasedPerEdible,
    findings,
  };
}

/** Whether a food is poured off its liquid: tinned pulses are, unless the line says otherwise. */
export const isDrained = (food: Food, form: string): boolean =>
  food.state === 'tinned' &&
  (food.category === 'pulse' || /\bdrained\b/.test(form)) &&
  !form.includes('undrained') &&
  !form.includes('with liquid');

/** Grams as purchased for a gram that goes in: peel and stalks, or the liquid of a tin. */
function purchasedPer(food: Food, form: string, kitchen: Kitchen): number {
  if (!isDrained(food, form)) return 1 / food.trimYield;
  const pack = packOf(kitchen, food.id);
  const share = pack?.netGrams && pack.drainedGrams ? pack.drainedGrams / pack.netGrams : DRAINED_SHARE;
  return 1 / share;
}

/**
 * The edible-portion weight of a line of a known food in this kitchen, with what is unsure about it.
 * Order of trust: the cook's answer, a weight stated in the line, the kitchen's own weights, reference, convention.
 */
export function weighLine(line: RecipeLine, food: Food, kitchen: Kitchen): LineWeight {
  const { reading, answers } = line;
  const perEdible = purchasedPer(food, reading.form, kitchen);
  if (answers.grams !== undefined) {
    const origin = answers.gramsOrigin ?? 'weighed here';
    const because =
      origin === 'weighed here' ? `${answers.grams} g, weighed here` : `${answers.grams} g, accepted`;
    return {
      weight: weightWithSpread(grams(answers.grams), 0, origin, because),
      purchasedPerEdible: perEdible,
      findings: [],
    };
  }
  const { weight, purchased } = reckoned(reading, food, kitchen);
  if (reading.statedGrams !== null) return stated(line, food, { weight, purchased }, perEdible);
  if (!weight)
    return { weight: null, purchasedPerEdible: perEdible, findings: [missingAmount(reading, line, food)] };
  const findings = amountFindings(weight, reading, line, food);
  const isAbsurd = findings.some((each) => each.code === 'amount-absurd');
  return {
    weight: isAbsurd ? null : purchased ? trimmed(weight, food) : weight,
    purchasedPerEdible: perEdible,
    findings,
  };
}

const WATER_LIKE = 1;

/** The weight of a line that calls for a component: by mass, by volume at the density of water, else unknown. */
export function weighComponentLine(line: RecipeLine, name: string, kitchen: Kitchen): LineWeight {
  const { reading, answers } = line;
  const settled = (figure: number, origin: Weight['origin'], because: string): LineWeight => ({
    weight: weightWithSpread(grams(figure), 0, origin, because),
    purchasedPerEdible: 1,
    findings: [],
  });
  if (answers.grams !== undefined) {
    return settled(
      answers.grams,
      answers.gramsOrigin ?? 'weighed here',
      `${answers.grams} g, the cook's answer`,
    );
  }
  if (reading.statedGrams !== null) return settled(reading.statedGrams, 'as written', 'stated in the line');
  let read = 0;
  for (const one of reading.measures) {
    if (isMassUnit(one.unit)) read += massOf(one.value, one.unit);
    else if (isVolumeUnit(one.unit))
      read += massOfVolume(volumeOf(one.value, one.unit, kitchen.units), WATER_LIKE);
    else read = NaN;
  }
  if (reading.measures.length === 0 || !(read > 0 && read <= ABSURD_GRAMS)) {
    const findings = [finding('amount-missing', line.id, { name })];
    return { weight: null, purchasedPerEdible: 1, findings };
  }
  return settled(read, 'reference', `${reading.amountText} at ${WATER_LIKE} g/mL where it is a volume`);
}
