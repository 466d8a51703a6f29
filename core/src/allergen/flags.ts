/** Which allergens a food, a line or a dish brings, by which path, and on what evidence. */
import type { Food } from '../food';
import { packOf, type Kitchen } from '../kitchen';
import { isWorse, worse, type AllergenStatus } from './status';
import {
  allergensOf,
  SUBSTANCE_NAMES,
  SUBSTANCES,
  type Allergen,
  type AllergenSetting,
  type Substance,
} from './substances';

/** Why a food stands as it does to a substance. */
export interface Standing {
  status: AllergenStatus;
  /** Named by the larder or the pack, against "nobody has looked yet". */
  isNamed: boolean;
}

/** One way a substance came into a dish, from the dish's line down to the food. */
export interface Trace extends Standing {
  lineId: string;
  substance: Substance;
  /** Names from the line's component down to the food: ["Green dressing", "Sunflower seed cream"]. */
  path: readonly string[];
  evidence: string;
}

/** Certified gluten-free packs clear traces of these, but not the grain itself (EU 828/2014; 21 CFR 101.91). */
const CERTIFIED_FREE_OF: ReadonlySet<Substance> = new Set(['wheat', 'rye', 'barley', 'oats']);

/**
 * How a food stands to a substance in a kitchen. What a food is made of stays, whatever a pack says; a pack adds
 * to it and clears what was only unchecked. A product without a pack is `check` for everything else.
 */
export function standingOf(food: Food, substance: Substance, kitchen: Kitchen): Standing {
  const inherent = food.allergens[substance];
  if (inherent === 'contains') return { status: 'contains', isNamed: true };
  const pack = packOf(kitchen, food.id);
  const printed = pack?.allergens[substance];
  if (printed) return { status: printed, isNamed: true };
  if (inherent === 'may-contain') return { status: 'may-contain', isNamed: true };
  if (pack) {
    const needsCertificate =
      inherent === 'check' && food.kind === 'single' && CERTIFIED_FREE_OF.has(substance);
    if (!needsCertificate || pack.certifiedGlutenFree) return { status: 'clear', isNamed: true };
  }
  if (inherent === 'check') return { status: 'check', isNamed: true };
  if (inherent === 'clear' || food.kind === 'single')
    return { status: 'clear', isNamed: inherent === 'clear' };
  return { status: pack ? 'clear' : 'check', isNamed: false };
}

/** The evidence a standing rests on, in words. */
export function evidenceOf(food: Food, standing: Standing, kitchen: Kitchen): string {
  const pack = packOf(kitchen, food.id);
  if (food.kind === 'single' && !pack) {
    return standing.status === 'check'
      ? 'safe only when certified; no pack on record'
      : 'a food of one ingredient';
  }
  if (!pack) return standing.status === 'contains' ? 'made of it, whatever the brand' : 'no pack on record';
  return `pack "${pack.productName}", read by ${pack.checkedBy} on ${pack.checkedOn}`;
}

/** All traces a food brings: everything that is not clear. An unknown food is unchecked for everything. */
export function tracesOf(
  food: Food | null,
  name: string,
  lineId: string,
  path: readonly string[],
  kitchen: Kitchen,
): Trace[] {
  const traces: Trace[] = [];
  const full = [...path, name];
  for (const substance of SUBSTANCES) {
    if (!food) {
      const evidence = 'nobody knows which food this is';
      traces.push({ lineId, substance, path: full, evidence, status: 'check', isNamed: false });
      continue;
    }
    const standing = standingOf(food, substance, kitchen);
    if (standing.status === 'clear') continue;
    traces.push({
      lineId,
      substance,
      path: full,
      evidence: evidenceOf(food, standing, kitchen),
      ...standing,
    });
  }
  return traces;
}

/** How a whole stands to one allergen: the worst of its lines, with every path that leads there. */
export interface AllergenFlag {
  id: string;
  name: string;
  status: AllergenStatus;
  /** Required on a label by the kitchen's regime. */
  isDeclared: boolean;
  /** The kinds found at that status: ["almond", "hazelnut"]. */
  kinds: readonly string[];
  /** Paths at that status, as text: "Green dressing > Almond". */
  paths: readonly string[];
  /** Every trace of this allergen, worst first. */
  traces: readonly Trace[];
  lineIds: readonly string[];
  /** True where the status rests only on lines that nobody has looked at. */
  isOnlyUnchecked: boolean;
}

const ORDER: Readonly<Record<AllergenStatus, number>> = { contains: 0, 'may-contain': 1, check: 2, clear: 3 };

function flagOf(allergen: Allergen, traces: readonly Trace[], setting: AllergenSetting): AllergenFlag {
  const own = traces.filter((trace) => allergen.substances.includes(trace.substance));
  own.sort((one, other) => ORDER[one.status] - ORDER[other.status]);
  const status = own.reduce<AllergenStatus>((worst, trace) => worse(worst, trace.status), 'clear');
  const worst = own.filter((trace) => trace.status === status);
  const named = worst.filter((trace) => trace.isNamed);
  return {
    id: allergen.id,
    name: allergen.name,
    status,
    isDeclared: allergen.declaredIn.includes(setting.regime),
    kinds: [...new Set(named.map((trace) => SUBSTANCE_NAMES[trace.substance]))],
    paths: [...new Set(worst.map((trace) => trace.path.join(' > ')))],
    traces: own,
    lineIds: [...new Set(worst.map((trace) => trace.lineId))],
    isOnlyUnchecked: status === 'check' && named.length === 0,
  };
}

/** The flags of a whole, one for each allergen of the kitchen, daily three first. */
export function flagsOf(traces: readonly Trace[], setting: AllergenSetting): AllergenFlag[] {
  return allergensOf(setting).map((allergen) => flagOf(allergen, traces, setting));
}

/** The worst status some traces give to any of some substances. */
export function worstStatus(traces: readonly Trace[], substances: readonly Substance[]): AllergenStatus {
  let status: AllergenStatus = 'clear';
  for (const trace of traces) {
    if (substances.includes(trace.substance) && isWorse(trace.status, status)) status = trace.status;
  }
  return status;
}
