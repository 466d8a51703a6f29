/** Every food of a dish, components opened to the bottom, with the recipe it stands in. */
import type { Composed, ComposedLine } from '../dish';

export interface Leaf {
  /** The dish's line it came by. */
  lineId: string;
  /** From the dish's line down to the food. */
  path: string[];
  line: ComposedLine;
  /** The recipe it stands in: the dish, or a component. */
  scope: Composed;
  /** Grams at home size: in its own recipe, and in the dish. */
  scopeGrams: number;
  grams: number;
  /** The food or component that stands there; null where nobody knows. */
  id: string | null;
  /** What the list asks for: the food itself, or the one a swap took out, with its grams in the dish. */
  originId: string | null;
  originGrams: number;
  originScopeGrams: number;
}

function leafOf(line: ComposedLine, scope: Composed, share: number, lineId: string, path: string[]): Leaf {
  const id = line.food?.id ?? line.component?.id ?? null;
  const scopeGrams = line.weight?.grams ?? 0;
  const { swap } = line;
  // Of a swap's lines the first stands for what went out; the rest came with it.
  const isFirst = !swap || id === swap.entry.to[0]?.foodId;
  const originScopeGrams = isFirst ? (swap ? (swap.fromGrams ?? 0) : scopeGrams) : 0;
  return {
    lineId,
    path: [...path, line.name],
    line,
    scope,
    scopeGrams,
    grams: scopeGrams * share,
    id,
    originId: swap ? swap.entry.fromId : id,
    originGrams: originScopeGrams * share,
    originScopeGrams,
  };
}

/** The leaves of a dish. A component that a swap brought in is one leaf: it goes out as a whole. */
export function leavesOf(
  composed: Composed,
  share = 1,
  root: string | null = null,
  path: string[] = [],
): Leaf[] {
  return composed.lines.flatMap((line) => {
    const lineId = root ?? line.source.id;
    if (!line.inner || line.swap) return [leafOf(line, composed, share, lineId, path)];
    const grams = (line.weight?.grams ?? 0) * share;
    const inner = line.inner.finishedGrams > 0 ? grams / line.inner.finishedGrams : 0;
    return leavesOf(line.inner, inner, lineId, [...path, line.name]);
  });
}
