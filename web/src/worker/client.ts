/** Asks the core worker; of several worksheets asked for while it is busy, only the last is computed. */
import { toRaw } from 'vue';
import {
  HELD_PARTS,
  MOST_HELD,
  type Answer,
  type Held,
  type HeldPart,
  type QuestionKind,
  type Questions,
} from './protocol';

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

/** What the worker holds, oldest first, by the object it was made of. */
const held = new Map<object, number>();
let nextNumber = 1;

/** A part as it is posted: by number alone where the worker still has it. */
function heldPart(part: object): Held {
  const raw = toRaw(part);
  const known = held.get(raw);
  if (known !== undefined) return { number: known };
  const number = nextNumber;
  nextNumber += 1;
  held.set(raw, number);
  if (held.size > MOST_HELD) held.delete(held.keys().next().value!);
  return { number, value: plain(raw) };
}

export function ask<K extends QuestionKind>(
  kind: K,
  question: Questions[K]['ask'],
): Promise<Questions[K]['answer']> {
  const id = nextId;
  nextId += 1;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject });
    const rest: Record<string, unknown> = { ...(toRaw(question) as object) };
    const parts: Partial<Record<HeldPart, Held>> = {};
    for (const part of HELD_PARTS) {
      const value = rest[part];
      if (typeof value !== 'object' || value === null) continue;
      parts[part] = heldPart(value);
      delete rest[part];
    }
    worker.postMessage({ id, kind, ask: plain(rest), held: parts });
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
