import fc from 'fast-check';
import {
  batchState,
  cookedSheet,
  differences,
  effectOf,
  type Entry,
  type EntryBody,
  everyMinutesOf,
  forgottenAt,
  groundOfBatch,
  handFirst,
  type OpenedBatch,
  productionRecord,
  putIn,
  standing,
  stoveView,
  timersAt,
} from '@hand-ladle/core';
import { asPlanned, kept, OPENED_AT, openedBatch, tablet, withFoods } from '@hand-ladle/testing/cook/cooked';
import { impossible, unbalanced } from '@hand-ladle/testing/matter';
import { runs } from '@hand-ladle/testing/runs';
import { demo, recipeOf, ward } from '@hand-ladle/testing/world';

const POT = 'barley-leek-white-bean-pot';
const recordOf = (entries: readonly Entry[]) => standing(entries.map((each) => kept(each)));
const stateOf = (opened: OpenedBatch, entries: readonly Entry[], minutes = 0) =>
  batchState(
    opened,
    entries.map((each) => kept(each)),
    OPENED_AT + minutes * 60_000,
  );
const three = openedBatch(POT, { kind: 'portions', portions: 480, portionGrams: 280 });

describe('what went in', () => {
  test('is the sum of its additions, load by load; under, over and right are told', () => {
    const { planned } = groundOfBatch(three);
    const line = planned.lines.find(({ loads }) => loads.length === 3)!;
    const write = tablet();
    const weigh = (load: number, grams: number): Entry =>
      write({ kind: 'weighed', lineId: line.id, load, grams, way: 'scale', isAfterTasting: false, from: '' });
    const puts = putIn(
      planned.lines,
      recordOf([weigh(1, line.loads[0]!), weigh(2, line.loads[1]! / 2), weigh(3, line.loads[2]! * 2)]),
    );
    expect(puts.filter(({ lineId }) => lineId === line.id).map(({ standing: how }) => how)).toEqual([
      'right',
      'under',
      'over',
    ]);
  });

  test('every figure of its worksheet follows from the entries: added up again by hand', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demo.map(({ recipe }) => recipe)),
        fc.array(fc.double({ min: 0.5, max: 1.6, noNaN: true }), { minLength: 30, maxLength: 30 }),
        fc.integer({ min: 0, max: 3000 }),
        (recipe, factors, water) => {
          const opened = openedBatch(recipe, { kind: 'weight', grams: 9000 });
          const write = tablet();
          const entries = asPlanned(opened, write).map((entry, index): Entry => {
            const { body } = entry;
            if (body.kind !== 'weighed') return entry;
            return {
              ...entry,
              body: { ...body, grams: Math.max(1, Math.round(body.grams * factors[index % 30]!)) },
            };
          });
          if (water > 0)
            entries.push(
              write({
                kind: 'added',
                foodId: 'water',
                grams: water,
                way: 'typed',
                because: 'water',
                stepId: '',
                load: 1,
              }),
            );
          const sheet = cookedSheet(opened, recordOf(entries));
          const weighed = new Map<string, number>();
          for (const { body } of entries)
            if (body.kind === 'weighed')
              weighed.set(body.lineId, (weighed.get(body.lineId) ?? 0) + body.grams);
          for (const line of sheet.lines)
            if (weighed.has(line.id)) expect(line.batchGrams).toBeCloseTo(weighed.get(line.id)!, 3);
          const added = sheet.lines.filter(({ id }) => id.startsWith('added-'));
          expect(added.reduce((sum, { batchGrams }) => sum + batchGrams!, 0)).toBeCloseTo(water, 6);
          expect(unbalanced(sheet)).toEqual([]);
          expect(
            impossible(sheet).filter((each) => !/assay/.test(each) && !/kcal|salt|sodium/i.test(each)),
          ).toEqual([]);
        },
      ),
      { numRuns: runs(120) },
    );
  });

  test('a weighed finished weight is the batch; figures in 100 g are spread over it', () => {
    const opened = openedBatch(POT, { kind: 'weight', grams: 10_000 });
    const write = tablet();
    const all = asPlanned(opened, write);
    const at = (grams: number) =>
      cookedSheet(opened, recordOf([...all, write({ kind: 'finished', grams, way: 'scale' })]));
    const [one, other] = [at(10_000), at(8000)];
    expect(other.finishedGrams).toBe(8000);
    expect(other.nutrition.per100g.proteinG / one.nutrition.per100g.proteinG).toBeCloseTo(10_000 / 8000, 6);
    expect(unbalanced(other)).toEqual([]);
  });

  test('what nobody wrote down is not known: its flags stay, its figures are "at least"', () => {
    const opened = openedBatch(POT, { kind: 'weight', grams: 10_000 });
    const all = asPlanned(opened);
    const sheet = cookedSheet(opened, recordOf(all.slice(1)));
    const { planned } = groundOfBatch(opened);
    expect(sheet.allergens.map(({ status }) => status)).toEqual(
      planned.allergens.map(({ status }) => status),
    );
    expect(sheet.nutrition.missing.length).toBeGreaterThan(0);
    expect(sheet.label.isDraft).toBe(true);
    expect(differences(opened, recordOf(all.slice(1)))[0]!.cooked).toContain('nobody wrote down');
  });
});

describe('what is otherwise than planned', () => {
  const opened = withFoods(openedBatch(POT, { kind: 'weight', grams: 10_000 }), [
    'hazelnuts',
    'buckwheat',
    'almonds',
  ]);
  const { planned } = groundOfBatch(opened);
  const barley = planned.lines.find(({ foodId }) => foodId === 'pearl-barley')!;
  const rest = asPlanned(opened).filter(({ body }) => !('lineId' in body) || body.lineId !== barley.id);
  const status = (entries: readonly Entry[], id: string): string =>
    cookedSheet(opened, recordOf(entries)).allergens.find((each) => each.id === id)!.status;
  const write = tablet('tablet-b');
  const instead = (foodId: string): Entry =>
    write({
      kind: 'substituted',
      lineId: barley.id,
      load: 1,
      foodId,
      grams: barley.scaleGrams!,
      way: 'scale',
    });

  test('a substitute brings its own allergens and takes those of what it stands for', () => {
    expect(status([...rest, instead('hazelnuts')], 'nut')).toBe('contains');
    expect(status([...rest, instead('hazelnuts')], 'gluten')).not.toBe('contains');
    expect(differences(opened, recordOf([...rest, instead('hazelnuts')])).map(({ what }) => what)).toEqual(
      expect.arrayContaining(['Pearl barley', 'Ingredients on the label']),
    );
  });

  test('half of it and half of another holds both', () => {
    const half: Entry = write({
      kind: 'weighed',
      lineId: barley.id,
      load: 1,
      grams: 100,
      way: 'scale',
      isAfterTasting: false,
      from: '',
    });
    const entries = [...rest, half, instead('hazelnuts')];
    expect([status(entries, 'nut'), status(entries, 'gluten')]).toEqual(['contains', 'contains']);
  });

  test('what went in beside the list never takes a flag away', () => {
    const before = cookedSheet(opened, recordOf(asPlanned(opened)));
    const after = cookedSheet(
      opened,
      recordOf([
        ...asPlanned(opened),
        write({
          kind: 'added',
          foodId: 'almonds',
          grams: 5,
          way: 'typed',
          because: 'wrong bowl',
          stepId: '',
          load: 1,
        }),
      ]),
    );
    const rank = ['clear', 'check', 'may-contain', 'contains'];
    after.allergens.forEach((flag, index) =>
      expect(rank.indexOf(flag.status)).toBeGreaterThanOrEqual(rank.indexOf(before.allergens[index]!.status)),
    );
    expect(after.allergens.find(({ id }) => id === 'nut')!.status).toBe('contains');
  });

  test('its effect is known before it is written: a claim that breaks is said first', () => {
    const claimed = withFoods(
      openedBatch(
        recipeOf(
          ['500 g carrots', '200 g leeks', '1 kg water'],
          ['Simmer the carrots, leeks and water for 20 minutes.'],
        ),
        null,
        {
          claim: ['nut', 'gluten'],
          kitchen: ward,
        },
      ),
      ['almonds'],
    );
    const body: EntryBody = {
      kind: 'added',
      foodId: 'almonds',
      grams: 40,
      way: 'typed',
      because: 'other',
      stepId: '',
      load: 1,
    };
    const effect = effectOf(claimed, [], [body]);
    expect(effect.isWorse).toBe(true);
    expect(effect.changes[0]).toBe('No longer free from nut');
    expect(stateOf(claimed, [tablet()(body)]).claim).toEqual([
      expect.objectContaining({ id: 'nut', isKept: false }),
      expect.objectContaining({ id: 'gluten', isKept: true }),
    ]);
  });

  test('a pack that is not the recorded one sends the batch to check on the spot; the recorded one does not', () => {
    const product = opened.inputs.kitchen.packs[0]!;
    const pack = (name: string): Entry =>
      write({ kind: 'pack', foodId: product.foodId, product: name, lot: 'L1', supplier: '' });
    expect(stateOf(opened, [pack(product.productName)]).check).toEqual([]);
    const other = stateOf(opened, [pack('Some other pack')]);
    expect(other.check[0]).toContain('Some other pack');
    const unread = cookedSheet(opened, recordOf([...asPlanned(opened), pack('Some other pack')]));
    expect(unread.allergens.every(({ status: how }) => how !== 'clear')).toBe(true);
  });

  test('dropped and into another batch is not in; into another bowl of the same batch is', () => {
    const grams = (entries: readonly Entry[]): number =>
      putIn(planned.lines, recordOf(entries)).find(({ lineId }) => lineId === barley.id)!.grams;
    const line = { lineId: barley.id, load: 1, grams: 50 };
    expect(grams([write({ kind: 'dropped', ...line })])).toBe(0);
    expect(grams([write({ kind: 'misplaced', into: '261201-3333', ...line })])).toBe(0);
    expect(grams([write({ kind: 'misplaced', into: '', ...line })])).toBe(50);
  });
});

describe('the slip', () => {
  test('a line that is not in when its step is done is said, with what leaving it out does', () => {
    const opened = openedBatch(POT, { kind: 'weight', grams: 10_000 });
    const { recipe } = groundOfBatch(opened);
    const [step] = recipe.steps;
    const found = forgottenAt(opened, recordOf([]), step!.id, 1);
    expect(found.map(({ name }) => name)).toContain('Leek');
    const leek = found.find(({ name }) => name === 'Leek')!;
    expect(leek.ways.map(({ way }) => way)).toEqual(['add now', 'into the next', 'leave out']);
    expect(leek.ways[2]!.effect.changes.join()).toContain('Yield');
    const later = leek.ways[1]!.body!;
    expect(
      forgottenAt(opened, recordOf([tablet()(later)]), step!.id, 1).map(({ name }) => name),
    ).not.toContain('Leek');
    expect(
      forgottenAt(opened, recordOf([tablet()(later)]), recipe.steps[1]!.id, 1).map(({ name }) => name),
    ).toContain('Leek');
    expect(forgottenAt(opened, recordOf(asPlanned(opened)), recipe.steps.at(-1)!.id, 1)).toEqual([]);
  });

  test('what is begun now and ends with "the rest" is due only then', () => {
    const opened = openedBatch(POT, { kind: 'weight', grams: 10_000 });
    const { recipe } = groundOfBatch(opened);
    expect(forgottenAt(opened, recordOf([]), recipe.steps[0]!.id, 1).map(({ name }) => name)).not.toContain(
      'Water',
    );
    expect(forgottenAt(opened, recordOf([]), recipe.steps[1]!.id, 1).map(({ name }) => name)).toContain(
      'Water',
    );
  });

  test('every weighed line is asked for, in every load, by the time the last step is done', () => {
    for (const { recipe } of demo) {
      const opened = openedBatch(recipe, { kind: 'weight', grams: 40_000 });
      const view = stoveView(opened, [], stateOf(opened, []));
      const shown = new Set(
        view.steps.flatMap(({ lines }) => lines.map(({ lineId, load }) => `${lineId} ${load}`)),
      );
      const { planned } = groundOfBatch(opened);
      if (recipe.steps.length === 0) continue;
      for (const put of putIn(planned.lines, []))
        if (planned.lines.find(({ id }) => id === put.lineId)!.technique === null)
          expect([recipe.id, put.lineId, put.load, shown.has(`${put.lineId} ${put.load}`)]).toEqual([
            recipe.id,
            put.lineId,
            put.load,
            true,
          ]);
    }
  });
});

describe('timers', () => {
  const write = tablet();
  const start = write({
    kind: 'timer-started',
    timer: 't1',
    name: 'Roots',
    minutes: 30,
    everyMinutes: null,
    stepId: '',
    load: 1,
  });
  const again = write({
    kind: 'timer-started',
    timer: 't2',
    name: 'Look',
    minutes: 20,
    everyMinutes: 20,
    stepId: '',
    load: 1,
  });
  const at = (seconds: number, ...more: Entry[]) =>
    timersAt('c', recordOf([start, again, ...more]), Date.parse(start.at) + seconds * 1000);

  test('are right to the second whatever happened between: they come of the record and a clock', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), (seconds) => {
        const timer = at(seconds).find(({ timer: id }) => id === 't1')!;
        expect(timer.secondsLeft).toBe(1800 - seconds);
        expect(timer.standing).toBe(seconds >= 1800 ? 'ringing' : 'running');
      }),
      { numRuns: runs(200) },
    );
  });

  test('get louder while nobody answers, are gone once answered, and come again where they repeat', () => {
    expect(
      [1799, 1800, 1860, 1980].map((each) => at(each).find(({ timer }) => timer === 't1')!.urgency),
    ).toEqual([0, 1, 2, 3]);
    const looked = write({ kind: 'timer-answered', timer: 't2' }, 25);
    const timer = at(26 * 60, looked).find(({ timer: id }) => id === 't2')!;
    expect(Math.round((timer.dueAt - Date.parse(looked.at)) / 60_000)).toBe(20);
    const done = write({ kind: 'timer-answered', timer: 't1' }, 31);
    expect(at(32 * 60, done).map(({ timer: id }) => id)).toEqual(['t2']);
    expect(at(32 * 60, done, write({ kind: 'timer-stopped', timer: 't2' }, 32))).toEqual([]);
  });

  test('"look every 20 minutes" is read from the step', () => {
    expect(everyMinutesOf({ text: 'Braise for 4 hours; look every 20 minutes until it parts.' })).toBe(20);
    expect(everyMinutesOf({ text: 'Simmer for 20 minutes.' })).toBeNull();
  });

  test('what rings needs a hand before what is only due', () => {
    const opened = openedBatch(POT, null);
    const ringing = stateOf(opened, [start], 40);
    const running = stateOf(opened, [start], 5);
    expect(handFirst(ringing, OPENED_AT + 40 * 60_000)).toBeLessThan(
      handFirst(running, OPENED_AT + 5 * 60_000),
    );
  });
});

describe('the record on paper', () => {
  test('holds every entry, those that were corrected too, and says what is missing', () => {
    const opened = openedBatch(POT, null);
    const write = tablet();
    const entries = asPlanned(opened, write);
    const wrong = write({ kind: 'finished', grams: 100, way: 'typed' });
    const right = write({
      kind: 'correction',
      of: wrong.id,
      reason: 'lid on the scale',
      instead: { kind: 'finished', grams: 90, way: 'typed' },
    });
    const all = [...entries, wrong, right];
    const list = productionRecord(
      opened,
      all.map((each) => kept(each)),
      OPENED_AT,
    );
    const written = list.sections.find(({ heading }) => heading === 'Everything that was written')!;
    expect(written.rows).toHaveLength(all.length);
    expect(written.rows.at(-2)![1]).toContain('corrected below');
    expect(written.rows.at(-1)![1]).toContain('lid on the scale');
    expect(list.notes).toEqual(
      expect.arrayContaining(['No core temperature was measured.', 'Nobody counted the portions.']),
    );
  });
});
