import { ServerError } from '../src/api/client';
import { settle, unreachable, world } from './support/draft-world';

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
