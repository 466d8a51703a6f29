import { effectScope } from 'vue';
import { ServerError } from '../src/api/client';
import { awayWords, TRY_AGAIN_MS, useFirstRead } from '../src/state/first-read';

const settle = async (): Promise<void> => {
  for (let turn = 0; turn < 10; turn += 1) await Promise.resolve();
};

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** A page that reads something, and how often it was asked; each answer in its turn, the last one for ever. */
function page(...answers: (ServerError | null)[]) {
  const scope = effectScope();
  let asked = 0;
  const read = scope.run(() =>
    useFirstRead(() => {
      const answer = answers[Math.min(asked, answers.length - 1)];
      asked += 1;
      return answer ? Promise.reject(answer) : Promise.resolve();
    }),
  )!;
  const wait = async (): Promise<void> => {
    jest.advanceTimersByTime(TRY_AGAIN_MS);
    await settle();
  };
  return { ...read, wait, leave: () => scope.stop(), asked: () => asked };
}

test('while the server or its database is away it says which, and goes on trying until it is back', async () => {
  const { problem, again, wait, asked } = page(
    new ServerError('unreachable', 'x'),
    new ServerError('database-down', 'x'),
    null,
  );
  await again();
  expect(problem.value).toMatch(/^The server does not answer\./);
  await wait();
  expect(problem.value).toMatch(/^The database does not answer\./);
  await wait();
  expect([problem.value, asked()]).toEqual(['', 3]);
  await wait();
  expect(asked()).toBe(3);
});

test('what trying again does not mend is said once', async () => {
  const { problem, again, wait, asked } = page(new ServerError('recipe-not-found', 'It is not in the book.'));
  await again();
  await wait();
  expect([problem.value, asked()]).toEqual(['It is not in the book.', 1]);
});

test('the trying ends with the page', async () => {
  const { again, wait, leave, asked } = page(new ServerError('unreachable', 'x'));
  await again();
  leave();
  await wait();
  expect(asked()).toBe(1);
});

test('no words of a failed read speak of saving', () => {
  for (const code of ['unreachable', 'database-down'])
    expect(awayWords(new ServerError(code, 'x'))).not.toMatch(/saved?/i);
});
