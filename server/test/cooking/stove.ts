/** A batch at the stove over HTTP, for tests. */
import type { World } from '../world';

export interface Line {
  id: string;
  name: string;
  foodId: string | null;
  componentId: string | null;
  scaleGrams: number;
  loads: number[];
  batchGrams: number;
}

export const POT = 'barley-leek-white-bean-pot';
let number = 0;
export const entry = (kind: string, fields: object = {}, at = '2026-11-25T09:10:00Z') => {
  number += 1;
  return { id: `e-${number}`, at, kind, by: 'Ilka Reedmace', device: 'tablet-a', order: number, ...fields };
};

/** Every line weighed as it should be, load by load; `from` says what each came of. */
export const weighedAll = (lines: readonly Line[], from: Readonly<Record<string, string>> = {}) =>
  lines.flatMap(({ id, scaleGrams, loads }) =>
    (loads.length > 1 ? loads : [scaleGrams]).map((grams, index) =>
      entry('weighed', {
        lineId: id,
        load: index + 1,
        grams,
        way: 'scale',
        ...(from[id] ? { from: from[id] } : {}),
      }),
    ),
  );

export function stoveOf(at: () => World) {
  const open = async (fields: object = {}): Promise<string> => {
    const { status, body } = await at().send('POST', '/api/batches', {
      recipeId: POT,
      kitchenId: 'alder-ward',
      target: { kind: 'portions', portions: 120, portionGrams: 280 },
      openedBy: 'Ilka Reedmace',
      ...fields,
    });
    expect([status, body.error]).toEqual([201, undefined]);
    return body.code as string;
  };
  const write = (code: string, entries: object[], extra: object = {}, headers: Record<string, string> = {}) =>
    at().send('POST', `/api/batches/${code}/entries`, { entries, ...extra }, headers);
  const read = async (code: string) => (await at().send('GET', `/api/batches/${code}`)).body;
  const linesOf = async (code: string): Promise<Line[]> => {
    const { opened } = await read(code);
    const { body } = await at().send('POST', '/api/worksheet', {
      recipeId: opened.recipeId,
      kitchenId: opened.kitchenId,
      target: opened.inputs.target,
    });
    return body.lines as Line[];
  };
  return { open, write, read, linesOf };
}
