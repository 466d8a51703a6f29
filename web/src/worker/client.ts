/** Asks the core worker; of several worksheets asked for while it is busy, only the last is computed. */
import { toRaw } from 'vue';
import {
  type Answer,
  type Held,
  HELD_PARTS,
  type HeldPart,
  type LongKind,
  type LongProgress,
  MOST_HELD,
  type QuestionKind,
  type Questions,
  type Stop,
} from './protocol';

interface Waiting {
  onProgress?: (progress: LongProgress) => void;
  resolve: (answer: unknown) => void;
  reject: (error: Error) => void;
}

const worker = new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' });
const waiting = new Map<number, Waiting>();
let nextId = 1;

worker.onmessage = ({ data }: MessageEvent<Answer>) => {
  const one = waiting.get(data.id);
  if (one && 'progress' in data) return one.onProgress?.(data.progress);
  waiting.delete(data.id);
  if (!one || 'progress' in data) return;
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

export const ask = <K extends QuestionKind>(
  kind: K,
  question: Questions[K]['ask'],
): Promise<Questions[K]['answer']> => post(kind, question).answer;

/** What a long question is rejected with once it was stopped. */
export class Stopped extends Error {}

/** Asks a long question: told how far it is, and stopped when nobody waits for it any more. */
export function askLong<K extends LongKind>(
  kind: K,
  question: Questions[K]['ask'],
  onProgress: (progress: LongProgress) => void,
): { answer: Promise<Questions[K]['answer']>; stop: () => void } {
  const { id, answer } = post(kind, question, onProgress);
  const stop = (): void => {
    const one = waiting.get(id);
    waiting.delete(id);
    worker.postMessage({ stop: id } satisfies Stop);
    one?.reject(new Stopped('Stopped.'));
  };
  return { answer, stop };
}

function post<K extends QuestionKind>(
  kind: K,
  question: Questions[K]['ask'],
  onProgress?: (progress: LongProgress) => void,
): { id: number; answer: Promise<Questions[K]['answer']> } {
  const id = nextId;
  nextId += 1;
  const answer = new Promise<Questions[K]['answer']>((resolve, reject) => {
    const one: Waiting = { resolve: resolve as (answer: unknown) => void, reject };
    waiting.set(id, onProgress ? { ...one, onProgress } : one);
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
  return { id, answer };
}

/** A lane in which a newer question replaces one that still waits. Superseded questions answer null. */
export function latestOnly<K extends QuestionKind>(kind: K) {
  let isBusy = false;
  type Given = Questions[K]['answer'] | null;
  let next: { question: Questions[K]['ask']; done: (answer: Given | Promise<Given>) => void } | null = null;
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
      // What fails fails for the one who waits for it.
      if (following) following.done(run(following.question));
    }
  };
  return run;
}
