/** Which allergens a line, a component or a dish brings, by which path, and on what evidence. */
import {
  type Allergen,
  type AllergenSetting,
  allergensOf,
  type AllergenStatus,
  bitsOf,
  type Food,
  type Matter,
  type Origin,
  ORIGIN_NAMES,
  ORIGINS,
  STANDARDS,
  type Substance,
  SUBSTANCE_NAMES,
  type SubstanceBits,
  substancesIn,
  type Wanted,
  worse,
} from '../food';
import type { Kitchen } from '../kitchen';
import { type Evidence, type FoodTrace, lineFoodTraces, type Standing } from './standing';

/** One way something came into a dish, from the dish's line down to the food. */
export interface Trace extends FoodTrace {
  /** The dish's line; null where it comes from a piece of equipment. */
  lineId: string | null;
  /** Names from the line's component down to the food: ["Green dressing", "Sunflower seed cream"]. */
  path: readonly string[];
  /** The same path as one text: "Green dressing > Sunflower seed cream". */
  route: string;
  /** Set where it comes from the words of the recipe and from no line: what they say, and where. */
  mention?: MentionPlace;
}

/** Where in a recipe's text something is named. */
export interface MentionPlace {
  text: string;
  from: number;
  to: number;
  /** "step 2", "the title". */
  place: string;
}

/** The traces of one line of a food. */
export function tracesOf(
  food: Food | null,
  name: string,
  lineId: string,
  kitchen: Kitchen,
  isSure = true,
): Trace[] {
  const path = [name];
  return lineFoodTraces(food, kitchen, isSure).map(({ status, isNamed, bits, own, evidence }) => ({
    status,
    isNamed,
    bits,
    own,
    evidence,
    lineId,
    path,
    route: name,
  }));
}

/** One way an allergen came in: which of its kinds, by which path, on what evidence. */
export interface FlagTrace extends Standing {
  /** Null where it comes from equipment and from no line. */
  lineId: string | null;
  kinds: readonly string[];
  path: readonly string[];
  evidence: Evidence;
  mention?: MentionPlace;
}

/** How a whole stands to one allergen: the worst of its lines, with every path that leads there. */
export interface AllergenFlag {
  id: string;
  name: string;
  status: AllergenStatus;
  /** What this kitchen counts in and what not: "pine nut counted, coconut not counted". */
  scope: string;
  /** Required on a label by the kitchen's regime. */
  isDeclared: boolean;
  /** The kinds found at that status: ["almond", "hazelnut"]. */
  kinds: readonly string[];
  /** Paths at that status, as text: "Green dressing > Almond". */
  paths: readonly string[];
  /** Every way it came in, worst first. */
  traces: readonly FlagTrace[];
  lineIds: readonly string[];
  /** True where the status rests only on lines that nobody has looked at. */
  isOnlyUnchecked: boolean;
  /** True where a pack nobody has read stands behind what is known. */
  isAlsoUnchecked: boolean;
}

const ORDER: Readonly<Record<AllergenStatus, number>> = { contains: 0, 'may-contain': 1, check: 2, clear: 3 };
/** The name of a substance or an origin. */
const nameOf = (each: Matter): string =>
  each in ORIGIN_NAMES ? ORIGIN_NAMES[each as Origin] : SUBSTANCE_NAMES[each as Substance];
const mattersIn = (bits: SubstanceBits): Matter[] => [
  ...substancesIn(bits),
  ...ORIGINS.filter((each) => (bitsOf([each]) & bits) !== 0),
];
const NAMES = new Map<SubstanceBits, readonly string[]>();

/** Names of the substances of some bits; the lists are few and kept. */
function namesIn(bits: SubstanceBits): readonly string[] {
  let names = NAMES.get(bits);
  if (!names) NAMES.set(bits, (names = mattersIn(bits).map(nameOf)));
  return names;
}

function flagOf(allergen: Allergen, traces: readonly Trace[], setting: AllergenSetting): AllergenFlag {
  const own = traces.filter((trace) => touches(trace, allergen));
  own.sort((one, other) => ORDER[one.status] - ORDER[other.status]);
  const status = own[0]?.status ?? 'clear';
  const worst = own.filter((trace) => trace.status === status);
  const namedBits =
    worst.reduce((bits, trace) => (trace.isNamed ? bits | trace.bits : bits), 0) & allergen.bits;
  return {
    id: allergen.id,
    name: allergen.name,
    scope: allergen.scope,
    status,
    isDeclared: allergen.declaredIn.includes(setting.regime),
    kinds: namesIn(namedBits),
    paths: [...new Set(worst.map((trace) => trace.route))],
    traces: own.map((trace) => ({
      status: trace.status,
      isNamed: trace.isNamed,
      lineId: trace.lineId,
      kinds: namesIn(trace.bits & allergen.bits),
      path: trace.path,
      evidence: trace.evidence,
      ...(trace.mention ? { mention: trace.mention } : {}),
    })),
    lineIds: [...new Set(worst.flatMap((trace) => trace.lineId ?? []))],
    isAlsoUnchecked: own.some((trace) => trace.status === 'check'),
    isOnlyUnchecked: status === 'check' && !worst.some((trace) => trace.isNamed),
  };
}

/** How a whole stands to the standards: animal food, and what a whole-food kitchen leaves out. */
export const standardFlagsOf = (traces: readonly Trace[], setting: AllergenSetting): AllergenFlag[] =>
  STANDARDS.map((each) => flagOf(each, traces, setting));

/** The flags of a whole, one for each allergen of the kitchen, daily three first. */
export function flagsOf(traces: readonly Trace[], setting: AllergenSetting): AllergenFlag[] {
  return allergensOf(setting).map((allergen) => flagOf(allergen, traces, setting));
}

/** Whether something that is traced is among what is looked for. */
export const touches = (trace: Wanted, wanted: Wanted): boolean =>
  (trace.bits & wanted.bits) !== 0 || (trace.own & wanted.own) !== 0;

/** The worst status some traces give to anything that is looked for. */
export function worstStatus(
  traces: readonly (Wanted & { status: AllergenStatus })[],
  wanted: Wanted,
): AllergenStatus {
  let status: AllergenStatus = 'clear';
  for (const trace of traces) if (touches(trace, wanted)) status = worse(status, trace.status);
  return status;
}
