import fc from 'fast-check';
import { matchFood, readLine, readStatement, SUBSTANCES, suggestFoods } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, foods } from '@hand-ladle/testing/world';
import { WORD_ROWS } from '../../src/allergen/words';
import { nameWords } from '../../src/food/names';
import { editDistance } from '../../src/food/speller';

const larder = book.foods;
const ELSEWHERE = new Set(['gluten', 'pasta', 'farina']);
/** Words that a statement is read by, with what each surely or maybe holds. */
const STATEMENT_WORDS = WORD_ROWS.filter(
  ({ language, where, certainty, source }) =>
    language === 'en' && where === 'all' && certainty !== 'nothing' && source !== 'other-name',
).map((row) => ({ ...row, substances: SUBSTANCES.filter((each) => row.holds.includes(each)) }));
const namesOf = foods.flatMap((food) => [food.name, ...food.synonyms].map((name) => ({ food, name })));

describe('every name of the larder', () => {
  test('reads to a food that is called so, surely, whatever stands before it', () => {
    const wrong: string[] = [];
    for (const { food, name } of namesOf) {
      const match = matchFood(`100 g ${name}`, larder);
      if (!match?.ids.includes(food.id)) wrong.push(`${name} (${food.id}) reads as ${match?.ids.join(', ')}`);
    }
    expect(wrong).toEqual([]);
  });

  test('in a written line it means that food, or one of its states', () => {
    const wrong: string[] = [];
    for (const { food, name } of namesOf) {
      const { foodId, otherFoodIds } = readLine(`100 g ${name.toLowerCase()}`, larder);
      if (foodId !== food.id && !otherFoodIds.includes(food.id) && !sharesName(foodId, name))
        wrong.push(`${name} (${food.id}) reads as ${foodId}`);
    }
    // "juice of lemon" and the like are the same words in another order.
    expect(wrong.filter((each) => !/juice of|zest of/.test(each))).toEqual([]);
  });

  const sharesName = (id: string | null, name: string): boolean => {
    const food = id === null ? undefined : larder.foods.get(id);
    const key = nameWords(name).join(' ');
    return (
      food !== undefined && [food.name, ...food.synonyms].some((each) => nameWords(each).join(' ') === key)
    );
  };

  test('a letter lost, doubled or swapped never reads surely as another food', () => {
    const pick = fc.constantFrom(...namesOf.filter(({ name }) => /^[^\d]{6,}$/.test(name)));
    fc.assert(
      fc.property(
        pick,
        fc.nat(),
        fc.constantFrom('lost', 'doubled', 'swapped'),
        ({ food, name }, at, how) => {
          const index = at % (name.length - 1);
          const [before, letter, next, after] = [
            name.slice(0, index),
            name[index]!,
            name[index + 1]!,
            name.slice(index + 2),
          ];
          const typo =
            how === 'lost'
              ? before + next + after
              : how === 'doubled'
                ? before + letter + letter + next + after
                : before + next + letter + after;
          const { foodId, confidence } = readLine(`100 g ${typo.toLowerCase()}`, larder);
          if (foodId === null || foodId === food.id || confidence < 1) return;
          // What is left may be a name of its own ("pears" is no misspelt "pearl"), or the same food in another state.
          const words = nameWords(typo);
          const isName = words.some(
            (word, from) =>
              [1, 2, 3, 4].some((length) => larder.names.has(words.slice(from, from + length).join(' '))) &&
              word !== '',
          );
          expect([typo, foodId, isName]).toEqual([typo, foodId, true]);
        },
      ),
      { numRuns: runs(500) },
    );
  });

  test('names that come near are offered for what is misspelt beyond mending', () => {
    expect(suggestFoods('toasted buckwheat husks', larder).length).toBeGreaterThan(0);
    expect(suggestFoods('qqqq', larder)).toEqual([]);
  });

  test.each([
    // By its sound before by its letters, by its head before by what it was toasted with, by a rare word before a common one.
    ['kummin seeds', 'cumin-seeds'],
    ['soi sauce', 'soy-sauce'],
    ['toasted hazlnuts', 'hazelnuts'],
    ['roasted hazlenut', 'hazelnuts'],
    ['black eye peas', 'black-eyed-beans-cooked'],
    ['leak', 'leek'],
  ])('"%s": the first guess is %s', (phrase, id) => {
    expect(suggestFoods(phrase, larder)[0]).toBe(id);
  });

  test('a guess that shares only how the food was treated is not offered', () => {
    const guesses = suggestFoods('roasted hazlenut', larder);
    expect(guesses).not.toContain('roasted-peppers');
    expect(guesses).not.toContain('taco-shells');
    expect(suggestFoods('shelled hazelnuts', larder)).toEqual(['hazelnuts']);
  });

  test('a name that was cut in two is one again, and asked', () => {
    expect(readLine('200 g chik peas', larder)).toMatchObject({ confidence: 0.7, foodId: 'chickpeas-dry' });
  });
});

describe('distance of two words', () => {
  test('is symmetric, zero for the same, and keeps the triangle', () => {
    const word = fc.string({ minLength: 0, maxLength: 9 });
    fc.assert(
      fc.property(word, word, word, (one, two, three) => {
        const between = (a: string, b: string): number => editDistance(a, b, 20);
        expect(between(one, one)).toBe(0);
        expect(between(one, two)).toBe(between(two, one));
        expect(between(one, three)).toBeLessThanOrEqual(between(one, two) + between(two, three) + 1);
      }),
    );
  });
});

describe('words of statements', () => {
  test('every term alone is mentioned as what it means', () => {
    for (const { word, substances, certainty } of STATEMENT_WORDS) {
      const { mentions } = readStatement(word);
      for (const substance of substances) {
        const found = mentions.find((each) => each.substance === substance);
        expect([word, substance, found !== undefined]).toEqual([word, substance, true]);
        if (certainty === 'surely')
          expect([word, substance, found!.status]).toEqual([word, substance, 'contains']);
      }
    }
  });

  test.each(['pasta, lupine', 'lupine, farina'])('"%s" is English: both are in it', (text) => {
    const found = readStatement(text).mentions.map(({ substance, status }) => `${substance} ${status}`);
    expect(found).toEqual(expect.arrayContaining(['wheat contains', 'lupin contains']));
  });

  test('more ingredients never take a mention away, in whatever order they stand', () => {
    // Other things, or a claim, where the rest is in another language.
    const words = STATEMENT_WORDS.map(({ word }) => word).filter((word) => !ELSEWHERE.has(word));
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...words, 'water', 'salt', 'sugar', 'rice'), {
          minLength: 1,
          maxLength: 12,
        }),
        (list) => {
          const { mentions, animal } = readStatement(list.join(', '));
          const whole = new Map(mentions.map((each) => [each.substance, each.status]));
          for (const word of list) {
            const alone = readStatement(word);
            for (const { substance, status } of alone.mentions) {
              expect([list, substance, whole.has(substance)]).toEqual([list, substance, true]);
              if (status === 'contains') expect([list, whole.get(substance)]).toEqual([list, 'contains']);
            }
            if (alone.animal?.state === 'animal') expect([list, animal?.state]).toEqual([list, 'animal']);
          }
        },
      ),
      { numRuns: runs(150) },
    );
  });

  test('under "may contain" each is a may, never less and never more', () => {
    for (const { word, substances, certainty } of STATEMENT_WORDS) {
      if (certainty !== 'surely') continue;
      const { mentions } = readStatement(`Water, rice. May contain ${word}.`);
      for (const substance of substances)
        expect([word, mentions.find((each) => each.substance === substance)?.status]).toEqual([
          word,
          'may-contain',
        ]);
    }
  });

  test('each substance of the law can be read from some word', () => {
    const known = new Set(STATEMENT_WORDS.flatMap(({ substances }) => substances));
    for (const substance of SUBSTANCES) expect([substance, known.has(substance)]).toEqual([substance, true]);
  });
});
