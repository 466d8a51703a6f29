/** Asks the core worker; of several worksheets asked for while it is busy, only the last is computed. */
import { toRaw } from 'vue';
import type { Answer, QuestionKind, Questions } from './protocol';

interface Waiting {
  resolve: (answer: unknown) => void;
  reject: (error: Error) => void;
}

const worker = new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' });
const waiting = new Map<number, Waiting>();
let nextId = 1;

worker.onmessage = ({ data }: MessageEvent<Answer>) => {
  const one = waiting.get(data.id);
  waiting.delete(data.id);
  if (!one) return;
  if ('error' in data) one.reject(new Error(data.error));
  else one.resolve(data.answer);
};

/** Deep plain copy: reactive proxies cannot be posted. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T;

export function ask<K extends QuestionKind>(
  kind: K,
  question: Questions[K]['ask'],
): Promise<Questions[K]['answer']> {
  const id = nextId;
  nextId += 1;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject });
    worker.postMessage({ id, kind, ask: plain(question) });
  });
}

/** A lane in which a newer question replaces one that still waits. Superseded questions answer null. */
export function latestOnly<K extends QuestionKind>(kind: K) {
  let isBusy = false;
  let next: { question: Questions[K]['ask']; done: (answer: Questions[K]['answer'] | null) => void } | null =
    null;
  const run = async (question: Questions[K]['ask']): Promise<Questions[K]['answer'] | null> => {
    if (isBusy) {
      next?.done(null);
      return new Promise((done) => {
        next = { question, done };
      });
    }
    isBusy = true;
    try {
      return await ask(kind, question);
    } finally {
      isBusy = false;
      const following = next;
      next = null;
      if (following) void run(following.question).then(following.done);
    }
  };
  return run;
}
