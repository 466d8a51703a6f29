import { cookedSheet, type Entry, groundOfBatch, mendingOf, standing } from '@hand-ladle/core';
import { asPlanned, kept, openedBatch, tablet } from '@hand-ladle/testing/cook/cooked';
import { recipeOf, ward } from '@hand-ladle/testing/world';

const POT = 'barley-leek-white-bean-pot';
const recordOf = (entries: readonly Entry[]) => standing(entries.map((each) => kept(each)));

describe('mending a pot', () => {
  const opened = openedBatch(POT, { kind: 'weight', grams: 20_000 });
  const write = tablet();
  const entries = asPlanned(opened, write);
  const more = write({
    kind: 'added',
    foodId: 'water',
    grams: 2000,
    way: 'typed',
    because: 'water',
    stepId: '',
    load: 1,
  });

  test('two litres too much by the record is two litres of steam, at the rate of the heat from that surface', () => {
    const { words, moves } = mendingOf(opened, recordOf([...entries, more]), 'too thin', 'a little');
    expect(words).toMatch(/By the record (?:1\.9|2)/);
    const [gentle, hard] = moves;
    const sheet = groundOfBatch(opened).planned;
    const pot = sheet.stages.find(({ work }) => work === 'simmer')!;
    const gone =
      cookedSheet(opened, recordOf([...entries, more]), 'as planned').finishedGrams - gentle!.finishedGrams;
    expect(gentle!.minutes).toBeCloseTo((gone / pot.loads / (8 * pot.surfaceM2 * 1000)) * 60, 6);
    expect(hard!.minutes! / gentle!.minutes!).toBeCloseTo(8 / 22, 6);
  });

  test('after the move the dish is as thick as it was planned', () => {
    const { moves } = mendingOf(opened, recordOf([...entries, more]), 'too thin', 'a little');
    const planned = groundOfBatch(opened).planned;
    const finished = planned.massBalance.rows.find(({ flow }) => flow === 'finished')!;
    expect(moves[0]!.effect.after.waterShare).toBeCloseTo(finished.waterGrams / planned.finishedGrams, 2);
  });

  test('too salty by the record: the water that brings it back leaves the planned salt in 100 g', () => {
    const salted = openedBatch(
      recipeOf(
        ['1 kg carrots', '1 kg water', '20 g salt'],
        ['Simmer the carrots, water and salt for 20 minutes.'],
      ),
      { kind: 'weight', grams: 10_000 },
      { kitchen: ward },
    );
    const { planned } = groundOfBatch(salted);
    const salt = planned.lines.find(({ role }) => role === 'salt')!;
    const all = asPlanned(salted).map((entry): Entry => {
      const { body } = entry;
      return body.kind === 'weighed' && body.lineId === salt.id
        ? { ...entry, body: { ...body, grams: body.grams * 1.5 } }
        : entry;
    });
    const { words, moves } = mendingOf(salted, recordOf(all), 'too salty', 'a little');
    expect(words).toMatch(/[45]\d % more salt/);
    const [water] = moves;
    const after = cookedSheet(
      salted,
      recordOf([
        ...all,
        ...water!.additions.map(({ foodId, grams, because }) =>
          tablet('x')({ kind: 'added', foodId, grams, way: 'typed', because, stepId: '', load: 1 }),
        ),
      ]),
      'as planned',
    );
    expect(after.nutrition.per100g.sodiumMg / planned.nutrition.per100g.sodiumMg).toBeCloseTo(1, 1);
  });

  test('too little: more of the same is what is short', () => {
    const short = openedBatch(POT, { kind: 'portions', portions: 60, portionGrams: 280 }, { heads: 70 });
    const { moves } = mendingOf(short, recordOf(asPlanned(short)), 'too little', 'a little');
    const more_ = moves.find(({ id }) => id === 'more')!;
    expect(more_.finishedGrams).toBeGreaterThan(70 * 280 * 0.97);
    expect(mendingOf(openedBatch(POT, null), recordOf([]), 'too little', 'a little').moves).toEqual([]);
  });
});
