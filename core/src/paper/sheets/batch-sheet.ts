/** The batch sheet a cook tapes to the hood: weights by load in the order of use, times, temperatures, allergens in words. */
import type { StageView, StepTime, WorksheetLine } from '../../batch';
import { isOpen } from '../../finding';
import { TOLD_WITH_ANOTHER } from '../../food';
import { type Kitchen, PAN_FILL, PANS } from '../../kitchen';
import { figureText, gramsText, weightText } from '../../quantity';
import type { Recipe } from '../../recipe';
import type { Worksheet } from '../../worksheet';

export interface SheetEntry {
  lineId: string;
  name: string;
  form: string;
  /** Weight for the whole batch: "7.20 kg". */
  total: string;
  /** Each load in words, where there are several: "3 x 2.40 kg". */
  loads: string;
  /** Boxes to tick: one a load. */
  boxes: number;
  /** "310 g at first, 77 g held back: taste"; empty where all goes in at once. */
  heldBack: string;
  /** "1 1/2 tsp" a load, where spoons serve. */
  spoons: string;
  /** What it brings: "SOY", "check celery". */
  allergens: string[];
}

export interface SheetStep {
  number: number;
  text: string;
  entries: SheetEntry[];
  machine: string;
  /** "35 min", "58 to 96 min". */
  time: string;
  oven: string;
  lookTest: string;
  core: string;
}

export interface BatchSheet {
  title: string;
  kitchen: string;
  /** "33.6 kg, 120 portions of 280 g". */
  batch: string;
  machines: string[];
  /** Serving pans the batch fills. */
  pans: string;
  /** Components to have ready: "Sunflower seed cream, 2.12 kg". */
  ready: string[];
  steps: SheetStep[];
  /** Lines that no step names. */
  rest: SheetEntry[];
  contains: string;
  mayContain: string;
  check: string;
  cautions: string[];
  /** How many questions are still open; the sheet says so. */
  open: number;
}

/** Loads as a cook reads them: equal ones counted, others listed. */
export function loadsText(loads: readonly number[], stepGrams: number): string {
  if (loads.length <= 1) return '';
  const groups = new Map<number, number>();
  for (const load of loads) groups.set(load, (groups.get(load) ?? 0) + 1);
  return [...groups]
    .map(([grams, count]) => {
      return `${count} x ${weightText(grams, stepGrams)}`;
    })
    .join(' + ');
}

function entryOf(line: WorksheetLine): SheetEntry {
  const { scaleGrams, stepGrams, heldBackGrams, firstGrams } = line;
  return {
    lineId: line.id,
    name: line.name,
    form: line.form || line.hint,
    total: scaleGrams === null ? 'not known' : weightText(scaleGrams, stepGrams),
    loads: loadsText(line.loads, stepGrams),
    boxes: Math.max(1, line.loads.length),
    heldBack:
      heldBackGrams > 0
        ? `${weightText(firstGrams ?? 0, stepGrams)} at first, ${weightText(heldBackGrams, stepGrams)} held back: taste, used ______ g`
        : '',
    spoons: line.spoons ? line.spoons.text : '',
    allergens: line.allergens
      .filter(({ isNamed }) => isNamed)
      .map(({ name, status }) =>
        status === 'contains'
          ? name.toUpperCase()
          : `${status === 'check' ? 'check' : 'may contain'} ${name.toLowerCase()}`,
      ),
  };
}

const minutesText = (minutes: number): string =>
  minutes >= 120 ? `${figureText(minutes / 60, 1)} h` : `${figureText(minutes, 0)} min`;

/** A time in words: "35 min", its range where it was worked out, or from when to look where the dish is shallower. */
export function timeText({ rule, minutes, lowMinutes, highMinutes, homeMinutes }: StepTime): string {
  if (minutes === null) return '';
  if (rule === 'same') return minutesText(minutes);
  if (rule === 'depth' && highMinutes === homeMinutes)
    return `look from ${minutesText(minutes)} on (${minutesText(highMinutes ?? minutes)} at home)`;
  return `about ${minutesText(minutes)} (${minutesText(lowMinutes ?? minutes)} to ${minutesText(highMinutes ?? minutes)})`;
}

/** "180 °C (356 °F), fan 160 °C". */
export const ovenText = ({ oven }: StepTime): string =>
  oven
    ? `${oven.setCelsius} °C ${oven.isFan ? 'with fan' : 'without fan'} (${oven.isFan ? oven.fanFahrenheit : oven.conventionalFahrenheit} °F)`
    : '';

/** "60 L kettle: one load of 33.6 kg", with its heat-up. */
export function machineText({
  machine,
  loads,
  rounds,
  loadGrams,
  pans,
  heatUpMinutes,
  work,
}: StageView): string {
  if (!machine) return `No machine on record to ${work === 'oven' ? 'bake' : work} in`;
  const count = loads === 1 ? 'one load' : `${loads} loads`;
  const sideBySide = machine.count > 1 && loads > 1 ? `, ${machine.count} machines, ${rounds} rounds` : '';
  const heat = heatUpMinutes === null ? '' : `; about ${minutesText(heatUpMinutes)} to come up to heat`;
  const on = pans === null ? '' : `, on ${pans.count} x ${pans.name}${loads > 1 ? ' each' : ''}`;
  return `${machine.name}: ${count} of ${gramsText(loadGrams)}${on}${sideBySide}${heat}`;
}

function pansText(sheet: Worksheet, kitchen: Kitchen): string {
  const { target } = sheet;
  if (target.kind === 'pans') {
    const { name } = PANS[target.pan];
    const owned = kitchen.pans.find(({ pan }) => pan === target.pan)?.count ?? null;
    const count = Math.ceil(target.count - 1e-6);
    const short = owned !== null && owned < count ? `; this kitchen has ${owned}` : '';
    return `${count} x ${name}, ${figureText(target.fill * 100, 0)} % full${short}`;
  }
  const [first] = kitchen.pans.filter(({ pan }) => pan in PANS && !pan.startsWith('tray'));
  if (!first) return '';
  const { litres, name } = PANS[first.pan as keyof typeof PANS];
  return `${Math.ceil(sheet.finishedGrams / 1000 / (litres * PAN_FILL) - 1e-6)} x ${name} to serve from`;
}

const named = (sheet: Worksheet, status: string): string =>
  sheet.allergens
    .filter((flag) => flag.status === status && !TOLD_WITH_ANOTHER.has(flag.id))
    .map(({ name, kinds }) => {
      const told = kinds.join(', ').toLowerCase();
      // A kind that is called the same says no more.
      return told === '' || told === name.toLowerCase() ? name : `${name} (${told})`;
    })
    .join(', ');

/** The batch sheet of a worksheet. Everything on it is the worksheet's. */
export function batchSheet(sheet: Worksheet, recipe: Recipe, kitchen: Kitchen): BatchSheet {
  const placed = new Set<string>();
  const steps = recipe.steps.map((step, index): SheetStep => {
    const lines = sheet.lines.filter(
      (line) => !placed.has(line.id) && step.reading.lineIds.includes(line.sourceId),
    );
    for (const line of lines) placed.add(line.id);
    const time = sheet.times[index]!;
    const stage = sheet.stages.find(({ work }) => work === time.work);
    return {
      number: index + 1,
      text: step.text,
      entries: lines.map(entryOf),
      machine: stage?.machine?.name ?? '',
      time: timeText(time),
      oven: ovenText(time),
      lookTest: time.lookTest,
      core: time.coreCelsius === null ? '' : `${time.coreCelsius} °C`,
    };
  });
  const { portions, portionGrams, servings, finishedGrams } = sheet;
  const counted =
    servings.length > 1
      ? servings
          .map(
            (each) => `${figureText(each.portions, 1)} ${each.name} of ${figureText(each.portionGrams, 0)} g`,
          )
          .join(', ')
      : `${figureText(portions, 1)} portions of ${figureText(portionGrams, 0)} g`;
  return {
    title: sheet.name,
    kitchen: kitchen.name,
    batch: `${gramsText(finishedGrams)}, ${counted}`,
    machines: sheet.stages.map(machineText),
    pans: pansText(sheet, kitchen),
    ready: sheet.components
      .filter(({ askedBy }) => askedBy.some(({ name }) => name === sheet.name))
      .map(({ name, neededGrams }) => `${name}, ${gramsText(neededGrams)}`),
    steps,
    rest: sheet.lines.filter(({ id }) => !placed.has(id)).map(entryOf),
    contains: named(sheet, 'contains'),
    mayContain: named(sheet, 'may-contain'),
    check: named(sheet, 'check'),
    cautions: sheet.findings
      .filter(
        ({ severity, code }) => severity === 'caution' || severity === 'danger' || code === 'cool-and-hold',
      )
      .map(({ message }) => message),
    open: sheet.findings.filter(isOpen).length,
  };
}
