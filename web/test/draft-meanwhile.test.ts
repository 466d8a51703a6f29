/** What happens to a draft while something else does: a hand that drags it, an answer that is lost. */
import { ServerError } from '../src/api/client';
import { type Dish, world } from './support/draft-world';

beforeEach(() => {
  jest.useFakeTimers();
  sessionStorage.clear();
});
afterEach(() => jest.useRealTimers());

describe('a hand that drags', () => {
  const dragged = (draft: ReturnType<typeof world>['draft'], portions: number): void =>
    draft.drag({ ...draft.draft.value!, portions });

  test('goes on where the same draft is read again meanwhile, and what it leaves is kept', async () => {
    const { draft, sent, held, open, rest } = world();
    open('pot');
    dragged(draft, 6);
    dragged(draft, 9);
    open('pot');
    draft.drop();
    expect(draft.canUndo.value).toBe(true);
    await rest();
    await sent[0]!.answer();
    expect([draft.status.value, held.get('pot')!.dish.portions, sent.length]).toEqual(['saved', 9, 1]);
    draft.undo();
    expect(draft.draft.value!.portions).toBe(4);
    await rest();
    await sent[1]!.answer();
    expect(draft.status.value).toBe('saved');
  });

  test('has dragged what it dragged where another draft is shown meanwhile, and nothing of the other', async () => {
    const { draft, sent, held, open, rest } = world();
    open('pot');
    dragged(draft, 9);
    open('bake');
    draft.drop();
    expect([draft.status.value, draft.canUndo.value]).toEqual(['saved', false]);
    await rest();
    expect(sent.map(({ id }) => id)).toEqual(['pot']);
    await sent[0]!.answer();
    expect([held.get('pot')!.dish.portions, draft.hasUnsaved()]).toEqual([9, false]);
  });
});

describe('what another screen made of it', () => {
  const theirs = (portions: number, version: number) => ({
    id: 'pot',
    dish: { name: 'pot', portions },
    version,
  });

  test('is taken where nothing of this one waits, and a change goes over it', async () => {
    const { draft, sent, held, open, portions, rest } = world();
    open('pot');
    held.set('pot', theirs(6, 2));
    expect(draft.renew(held.get('pot')!)).toBe(true);
    expect([draft.draft.value!.portions, draft.canUndo.value]).toEqual([6, false]);
    portions(7);
    await rest();
    await sent[0]!.answer();
    expect([draft.status.value, held.get('pot')]).toEqual(['saved', theirs(7, 3)]);
  });

  test('and took back again is as it was: the next change is no conflict, and the steps of undo stay', async () => {
    const { draft, sent, held, open, portions, rest } = world();
    open('pot');
    portions(5);
    await rest();
    await sent[0]!.answer();
    held.set('pot', theirs(5, 4));
    expect(draft.renew(held.get('pot')!)).toBe(false);
    expect(draft.canUndo.value).toBe(true);
    portions(7);
    await rest();
    await sent[1]!.answer();
    expect([draft.status.value, held.get('pot')]).toEqual(['saved', theirs(7, 5)]);
  });

  test('goes over nothing that waits, is on its way or is newer here, and over no other draft', async () => {
    const { draft, sent, open, portions, rest } = world();
    open('pot');
    portions(5);
    expect(draft.renew(theirs(6, 2))).toBe(false);
    await rest();
    expect(draft.renew(theirs(6, 2))).toBe(false);
    await sent[0]!.answer();
    expect(draft.renew(theirs(6, 1))).toBe(false);
    expect(draft.renew({ ...theirs(6, 9), id: 'bake' })).toBe(false);
    expect([draft.status.value, draft.draft.value!.portions]).toEqual(['saved', 5]);
  });
});

describe('a save whose answer was lost on the way', () => {
  test('is not told as somebody else’s: it is found to be kept, and the next change goes on from it', async () => {
    const { draft, sent, held, kept, open, portions, rest } = world();
    open('pot');
    portions(6);
    await rest();
    await sent[0]!.lose();
    expect(draft.status.value).toBe('unreachable');
    await rest(3000);
    expect(sent[1]!.version).toBe(1);
    await sent[1]!.answer();
    expect([draft.status.value, draft.hasUnsaved(), held.get('pot')!.version]).toEqual(['saved', false, 2]);
    expect(kept).toEqual([['pot', true]]);
    portions(7);
    await rest();
    await sent[2]!.answer();
    expect(held.get('pot')).toMatchObject({ dish: { portions: 7 }, version: 3 });
  });

  test('and what was changed since goes over it', async () => {
    const { draft, sent, held, open, portions, rest } = world();
    open('pot');
    portions(6);
    await rest();
    await sent[0]!.lose();
    portions(8);
    await rest(3000);
    await sent[1]!.answer();
    expect(draft.status.value).toBe('changed');
    await rest();
    await sent[2]!.answer();
    expect(held.get('pot')).toMatchObject({ dish: { portions: 8 }, version: 3 });
    expect(draft.status.value).toBe('saved');
  });

  test('by a page that was closed behind it, which the one after a reload still knows', async () => {
    const before = world();
    before.open('pot');
    before.portions(6);
    await before.rest();
    // The page is read anew before the save of the old one has gone through.
    const after = world();
    after.open('pot');
    after.held.set('pot', { id: 'pot', dish: { portions: 6, name: 'pot' }, version: 2 });
    after.portions(7);
    await after.rest();
    await after.sent[0]!.answer();
    await after.rest();
    await after.sent[1]!.answer();
    expect(after.held.get('pot')).toMatchObject({ dish: { portions: 7 }, version: 3 });
    expect(after.draft.status.value).toBe('saved');
  });

  test('also of a draft that tells its own version', async () => {
    const { draft, sent, held, open, portions, rest } = world();
    open('week', { name: 'week', portions: 4, version: 1 } as Dish);
    portions(6);
    await rest();
    await sent[0]!.lose();
    const { dish, version } = held.get('week')!;
    held.set('week', { id: 'week', dish: { ...dish, version } as Dish, version });
    await rest(3000);
    await sent[1]!.answer();
    expect(draft.status.value).toBe('saved');
  });

  test('also where the server tells more beside what was said', async () => {
    const { draft, sent, held, open, portions, rest } = world({ said: ({ portions: said }) => ({ said }) });
    open('lunch');
    portions(6);
    await rest();
    await sent[0]!.lose();
    held.set('lunch', { id: 'lunch', dish: { name: 'worked out', portions: 6 }, version: 2 });
    await rest(3000);
    await sent[1]!.answer();
    expect([draft.status.value, draft.hasUnsaved()]).toEqual(['saved', false]);
    portions(7);
    await rest();
    await sent[2]!.answer();
    expect(held.get('lunch')).toMatchObject({ dish: { portions: 7 }, version: 3 });
  });

  test('but what somebody else saved over it is theirs, and asked about', async () => {
    const { draft, sent, held, open, portions, rest } = world();
    open('pot');
    portions(6);
    await rest();
    await sent[0]!.lose();
    held.set('pot', { id: 'pot', dish: { name: 'by another', portions: 6 }, version: 3 });
    await rest(3000);
    await sent[1]!.answer();
    expect(draft.status.value).toBe('conflict');
    draft.takeTheirs();
    // Nothing of it is remembered against the next one.
    portions(9);
    held.set('pot', { id: 'pot', dish: { name: 'pot', portions: 6 }, version: 4 });
    await rest();
    await sent[2]!.answer();
    expect(draft.status.value).toBe('conflict');
  });

  test('a dish of the same name in another kind of draft knows nothing of it', async () => {
    const dishes = world();
    dishes.open('pot');
    dishes.portions(6);
    await dishes.rest();
    const foods = world({ conflict: 'food-conflict' });
    foods.open('pot');
    foods.held.set('pot', { id: 'pot', dish: { name: 'pot', portions: 6 }, version: 2 });
    foods.portions(7);
    await foods.rest();
    await foods.sent[0]!.fail(new ServerError('food-conflict', 'Somebody else.', [foods.held.get('pot')]));
    expect(foods.draft.status.value).toBe('conflict');
  });
});
