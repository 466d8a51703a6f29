import { ServerError } from '../src/api/client';
import { type DraftWays, useSavedDraft } from '../src/state/saved-draft';

interface Dish {
  name: string;
  portions: number;
}
interface SavedDish {
  id: string;
  dish: Dish;
  version: number;
}

/** A save on its way: the test says when and how it is answered. */
interface Sent {
  id: string;
  dish: Dish;
  version: number;
  answer: () => Promise<void>;
  /** The server takes it, and its answer is lost on the way. */
  lose: () => Promise<void>;
  fail: (error: ServerError) => Promise<void>;
}

const settle = async (): Promise<void> => {
  for (let turn = 0; turn < 10; turn += 1) await Promise.resolve();
};

/** A server that holds dishes with their versions and answers when it is told to. */
function world(ways: Partial<DraftWays<Dish, SavedDish>> = {}) {
  const held = new Map<string, SavedDish>();
  const sent: Sent[] = [];
  const kept: [string, boolean][] = [];
  const draft = useSavedDraft<Dish, SavedDish>({
    save: (id, dish, version) =>
      new Promise((done, refuse) => {
        sent.push({
          id,
          dish,
          version,
          answer: async () => {
            const now = held.get(id)!;
            if (now.version === version) {
              const saved = { id, dish, version: version + 1 };
              held.set(id, saved);
              done(saved);
            } else refuse(new ServerError('conflict', 'Somebody else saved this.', [now]));
            await settle();
          },
          lose: async () => {
            held.set(id, { id, dish, version: version + 1 });
            refuse(new ServerError('unreachable', 'The server does not answer.'));
            await settle();
          },
          fail: async (error) => {
            refuse(error);
            await settle();
          },
        });
      }),
    keptIn: ({ id, dish, version }) => ({ id, draft: dish, version }),
    conflict: 'conflict',
    restMs: 300,
    onKept: ({ id }, isLatest) => {
      kept.push([id, isLatest]);
    },
    ...ways,
  });
  const open = (id: string, dish: Dish = { name: id, portions: 4 }): void => {
    if (!held.has(id)) held.set(id, { id, dish, version: 1 });
    draft.show(held.get(id)!);
  };
  const portions = (count: number): void => draft.change({ ...draft.draft.value!, portions: count });
  const rest = async (ms = 300): Promise<void> => {
    jest.advanceTimersByTime(ms);
    await settle();
  };
  return { draft, held, sent, kept, open, portions, rest };
}

const unreachable = new ServerError('unreachable', 'The server does not answer.');

beforeEach(() => {
  jest.useFakeTimers();
  sessionStorage.clear();
});
afterEach(() => jest.useRealTimers());

test('a change is shown at once and sent once the hand rests, as one save', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  open('pot');
  portions(6);
  portions(60);
  expect(draft.draft.value!.portions).toBe(60);
  expect(draft.status.value).toBe('changed');
  await rest();
  expect(sent).toHaveLength(1);
  expect(draft.status.value).toBe('saving');
  await sent[0]!.answer();
  expect(draft.status.value).toBe('saved');
  expect(held.get('pot')).toMatchObject({ dish: { portions: 60 }, version: 2 });
  expect(draft.hasUnsaved()).toBe(false);
});

test('a slow save answered after another dish was opened touches neither its version nor its draft', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  open('pot');
  portions(6);
  await rest();
  portions(7); // while the first save is on its way
  open('bake');
  expect(draft.draft.value).toEqual({ name: 'bake', portions: 4 });
  portions(40);
  await sent[0]!.answer(); // the pot's save comes back late
  expect(draft.draft.value).toEqual({ name: 'bake', portions: 40 });
  await rest();
  const bake = sent.find(({ id }) => id === 'bake')!;
  expect(bake.version).toBe(1);
  await bake.answer();
  // The pot's newer change was not lost behind it.
  const pot = sent.filter(({ id }) => id === 'pot').at(-1)!;
  expect(pot).toMatchObject({ dish: { portions: 7 }, version: 2 });
  await pot.answer();
  expect([...held.values()].map(({ id, dish: { portions: kept } }) => [id, kept])).toEqual([
    ['pot', 7],
    ['bake', 40],
  ]);
  expect(draft.hasUnsaved()).toBe(false);
});

test('two quick changes never send the same version: the second waits for the answer to the first', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  open('ward');
  portions(1);
  await rest();
  portions(2);
  await rest();
  expect(sent).toHaveLength(1);
  await sent[0]!.answer();
  expect(draft.status.value).toBe('changed');
  await rest();
  expect(sent.map(({ version }) => version)).toEqual([1, 2]);
  await sent[1]!.answer();
  expect(draft.status.value).toBe('saved');
  expect(held.get('ward')!.dish.portions).toBe(2);
});

test('leaving waits for what is on its way, and for what came after it', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  open('pot');
  portions(6);
  await rest();
  portions(8);
  let isLeft = false;
  void draft.flush().then(() => (isLeft = true));
  await settle();
  expect(isLeft).toBe(false);
  await sent[0]!.answer();
  await settle();
  await sent[1]!.answer();
  await settle();
  expect(isLeft).toBe(true);
  expect(held.get('pot')!.dish.portions).toBe(8);
});

test('what was left while the server was away is sent behind, and found as it was left', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  open('pot');
  portions(6);
  await rest();
  await sent[0]!.fail(unreachable);
  expect(draft.status.value).toBe('unreachable');
  open('bake');
  expect(draft.status.value).toBe('saved');
  expect(draft.hasUnsaved()).toBe(true);
  open('pot');
  expect(draft.draft.value!.portions).toBe(6);
  expect(draft.canUndo.value).toBe(true);
  open('bake');
  await rest(3000);
  await sent.at(-1)!.answer();
  expect(held.get('pot')!.dish.portions).toBe(6);
  expect(draft.hasUnsaved()).toBe(false);
});

test('a conflict keeps mine on the screen until one of the two is chosen', async () => {
  const { draft, sent, held, open, portions, rest } = world();
  for (const isMine of [false, true]) {
    const id = isMine ? 'mine' : 'theirs';
    open(id);
    portions(6);
    held.set(id, { id, dish: { name: 'by another', portions: 9 }, version: 2 });
    await rest();
    await sent.at(-1)!.answer();
    expect(draft.status.value).toBe('conflict');
    expect(draft.draft.value!.portions).toBe(6);
    portions(7); // typing on sends nothing
    const before = sent.length;
    await rest();
    expect(sent).toHaveLength(before);
    if (isMine) {
      const put = draft.putMineOver();
      await settle();
      await sent.at(-1)!.answer();
      await put;
      expect(held.get(id)).toMatchObject({ dish: { portions: 7 }, version: 3 });
    } else {
      draft.takeTheirs();
      expect(draft.draft.value).toEqual({ name: 'by another', portions: 9 });
      expect(draft.canUndo.value).toBe(false);
    }
    expect(draft.status.value).toBe('saved');
  }
});

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

test('a refusal says why and holds; taking the change back is sent', async () => {
  const { draft, sent, held, open, portions, rest } = world({ refusalIn: ({ message }) => `No: ${message}` });
  open('pot');
  portions(0);
  await rest();
  await sent[0]!.fail(new ServerError('bad-request', 'Portions above zero.'));
  expect([draft.status.value, draft.message.value]).toEqual(['refused', 'No: Portions above zero.']);
  expect(draft.draft.value!.portions).toBe(0);
  draft.undo();
  await rest();
  await sent.at(-1)!.answer();
  expect([draft.status.value, draft.message.value]).toEqual(['saved', '']);
  expect(held.get('pot')!.dish.portions).toBe(4);
});

test('undo and redo go step by step, and a new change ends what could be redone', () => {
  const { draft, open, portions } = world();
  open('pot');
  for (const count of [5, 6, 7]) portions(count);
  const now = (): number => draft.draft.value!.portions;
  draft.undo();
  draft.undo();
  expect(now()).toBe(5);
  draft.redo();
  expect(now()).toBe(6);
  portions(60);
  expect(draft.canRedo.value).toBe(false);
  draft.redo();
  expect(now()).toBe(60);
  for (let step = 0; step < 9; step += 1) draft.undo();
  expect(now()).toBe(4);
  expect(draft.canUndo.value).toBe(false);
});

test('a drag is one step and is not sent while the hand is on it', async () => {
  const { draft, sent, open, rest } = world();
  open('pot');
  for (const count of [5, 6, 7, 8]) draft.drag({ name: 'pot', portions: count });
  await rest(5000);
  expect(sent).toHaveLength(0);
  expect(draft.hasUnsaved()).toBe(true);
  const dragged = draft.draft.value;
  draft.drop();
  // What is worked out only once the hand rests is asked for by a draft of its own.
  expect(draft.draft.value).not.toBe(dragged);
  expect(draft.draft.value).toEqual(dragged);
  await rest();
  expect(sent[0]!.dish.portions).toBe(8);
  draft.undo();
  expect(draft.draft.value!.portions).toBe(4);
  draft.redo();
  expect(draft.draft.value!.portions).toBe(8);
});

test('only the latest save says so to those who listen', async () => {
  const { sent, kept, open, portions, rest } = world();
  open('pot');
  portions(5);
  await rest();
  portions(6);
  await sent[0]!.answer();
  await rest();
  await sent[1]!.answer();
  expect(kept).toEqual([
    ['pot', false],
    ['pot', true],
  ]);
});

test('a change made while the answer to the one before is taken in is sent too', async () => {
  let takenIn = (): void => undefined;
  const { draft, sent, held, open, portions, rest } = world({
    onKept: () => new Promise<void>((done) => (takenIn = done)),
  });
  open('cream');
  portions(6);
  await rest();
  await sent[0]!.answer();
  draft.undo();
  await rest(1000);
  takenIn();
  await settle();
  await rest();
  expect(sent.map(({ dish, version }) => [dish.portions, version])).toEqual([
    [6, 1],
    [4, 2],
  ]);
  await sent[1]!.answer();
  takenIn();
  await settle();
  expect([draft.status.value, held.get('cream')!.dish.portions, draft.hasUnsaved()]).toEqual([
    'saved',
    4,
    false,
  ]);
});
