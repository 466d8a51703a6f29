/**
 * The stove of this tablet: the batches that are open, each with its record as far as this tablet knows it, and what is worked out
 * of it. It goes on without the server: what is written stands here first, and is sent when it can be.
 */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type {
  Degree,
  Effect,
  EntryBody,
  Forgotten,
  Mending,
  OpenedBatch,
  ToldKeptEntry,
  Trouble,
} from '@hand-ladle/core';
import { ServerError } from '../../api/client';
import { useBook } from '../../state/book';
import { ask } from '../../worker/client';
import type { CookAnswer, CookInput } from '../../worker/protocol';
import { useAuthor } from './author';
import { clockAhead, cookServer, sendEntries } from './cook-server';
import { type KeptBatch, openStoveBase, type Waiting } from './kept';
import { Outbox, together, withWaiting } from './outbox';

/** One batch on the stove. */
export interface OnStove {
  code: string;
  opened: OpenedBatch;
  entries: ToldKeptEntry[];
  answer: CookAnswer;
}

const REREAD_MS = 12_000;
/** Batches beside each other on one tablet. */
const MOST_BESIDE = 8;

export const useStove = defineStore('stove', () => {
  const book = useBook();
  const author = useAuthor();
  let outbox: Promise<Outbox> | null = null;
  const box = (): Promise<Outbox> =>
    (outbox ??= openStoveBase().then((base) => new Outbox(base, sendEntries)));

  /** Batches as they are kept here, by code: plain objects, for the worker knows them by identity. */
  const kept = new Map<string, KeptBatch>();
  const batches = shallowRef<OnStove[]>([]);
  const code = ref('');
  const isAway = ref(false);
  const waiting = shallowRef<Waiting[]>([]);
  const problem = ref('');
  /** By the server's clock, milliseconds since 1970. */
  const now = ref(Date.now());
  const tell = (): number => (now.value = Date.now() - clockAhead() * 1000);

  const current = computed(() => batches.value.find((each) => each.code === code.value) ?? null);
  const unsent = computed(() => waiting.value.filter(({ refused }) => refused === '').length);
  const refused = computed(() => waiting.value.filter((each) => each.refused !== ''));

  const inputOf = ({ opened, entries }: Pick<OnStove, 'opened' | 'entries'>): CookInput => ({
    opened,
    entries,
    kitchen: book.kitchens.find(({ id }) => id === opened.kitchenId) ?? opened.inputs.kitchen,
  });

  let turn = 0;
  /** Works everything out anew of what this tablet knows; of several at once only the last counts. */
  async function work(): Promise<void> {
    const mine = (turn += 1);
    const at = tell();
    const { waiting: all, batches: stored } = await (await box()).snapshot();
    if (mine !== turn) return;
    waiting.value = all;
    for (const { code: of, entries } of stored) {
      const known = kept.get(of);
      if (known) kept.set(of, { ...known, entries: together(known.entries, entries) });
    }
    const worked = await Promise.all(
      [...kept.values()].map(async ({ code: of, opened, entries: known }): Promise<OnStove> => {
        const own = all.filter(({ log }) => log === of);
        const entries = withWaiting(known, own, clockAhead());
        const answer = await ask('cook', { ...inputOf({ opened, entries }), now: at });
        return { code: of, opened, entries, answer };
      }),
    );
    if (mine !== turn) return;
    batches.value = worked
      .filter(({ code: of, answer }) => answer.state.phase !== 'closed' || of === code.value)
      .sort((one, other) => one.answer.hand - other.answer.hand || (one.code < other.code ? -1 : 1));
  }

  /** Sends what waits; what cannot be sent stays. */
  async function flush(): Promise<void> {
    try {
      await (await box()).flush();
      isAway.value = false;
    } catch (error) {
      isAway.value = isOutOfReach(error);
      if (!isAway.value) problem.value = (error as Error).message;
    }
    waiting.value = await (await box()).waiting();
  }
  const isOutOfReach = (error: unknown): boolean =>
    error instanceof ServerError && ['unreachable', 'database-down', 'internal'].includes(error.code);

  /** Reads a batch from the server, or takes it as it was kept here. */
  async function read(of: string): Promise<boolean> {
    const own = await box();
    try {
      const view = await cookServer.batch(of);
      isAway.value = false;
      if (!view.opened) return false;
      const before = kept.get(view.code);
      // The same opening stays the same object: what was worked out of it holds.
      const opened =
        before && JSON.stringify(before.opened) === JSON.stringify(view.opened) ? before.opened : view.opened;
      const batch: KeptBatch = {
        code: view.code,
        row: {
          code: view.code,
          name: opened.name,
          recipeId: opened.recipeId,
          kitchenId: opened.kitchenId,
          madeOn: opened.madeOn,
          useBy: opened.useBy,
          serviceId: opened.serviceId,
          serviceName: opened.serviceName,
          groups: [...opened.groups],
          phase: view.state?.phase ?? 'opened',
          openedAt: opened.openedAt,
        },
        opened,
        entries: view.entries,
      };
      kept.set(view.code, await own.keep(batch));
      return true;
    } catch (error) {
      if (!isOutOfReach(error)) throw error;
      isAway.value = true;
      const known = kept.get(of) ?? (await own.kept(of));
      if (!known) return false;
      kept.set(of, known);
      return true;
    }
  }

  /** Opens a batch, and puts those that are open beside it. */
  async function open(of: string): Promise<void> {
    code.value = of;
    problem.value = '';
    await book.ready();
    try {
      if (!(await read(of)))
        problem.value = isAway.value
          ? 'The server does not answer, and this tablet has never opened that batch.'
          : 'Nothing was written down of how this batch was cooked.';
    } catch (error) {
      problem.value = (error as Error).message;
    }
    await beside();
    await work();
  }

  /** Batches of the kitchen that are open, beside the one that is looked at. */
  async function beside(): Promise<void> {
    const own = await box();
    const kitchenId = kept.get(code.value)?.opened.kitchenId ?? book.kitchen?.id;
    if (kitchenId === undefined) return;
    try {
      const rows = (await cookServer.openBatches(kitchenId)).slice(0, MOST_BESIDE);
      const codes = new Set(rows.map((row) => row.code));
      for (const row of rows) if (!kept.has(row.code) && row.code !== code.value) await read(row.code);
      for (const of of [...kept.keys()])
        if (!codes.has(of) && of !== code.value) {
          kept.delete(of);
          await own.forget(of);
        }
    } catch (error) {
      if (!isOutOfReach(error)) throw error;
      isAway.value = true;
      for (const batch of await own.keptAll())
        if (batch.opened.kitchenId === kitchenId && !kept.has(batch.code)) kept.set(batch.code, batch);
    }
  }

  /** Writes an entry down: it stands at once, and is sent behind it. */
  async function write(body: EntryBody, of = code.value): Promise<string> {
    const { id } = await (await box()).write(of, body, author.author);
    await work();
    void flush().then(work);
    return id;
  }

  /** Writes several, one after the other, and works them out once. */
  async function writeAll(bodies: readonly { body: EntryBody; of?: string }[]): Promise<void> {
    for (const { body, of = code.value } of bodies) await (await box()).write(of, body, author.author);
    await work();
    void flush().then(work);
  }

  /** What entries would change, before they are written. */
  const effectOf = (tried: EntryBody[], of = code.value): Promise<Effect> => {
    const { opened, entries } = batches.value.find((each) => each.code === of)!;
    return ask('cookEffect', { ...inputOf({ opened, entries }), tried });
  };
  const forgottenAt = (stepId: string, load: number): Promise<Forgotten[]> => {
    const { opened, entries } = current.value!;
    return ask('forgotten', { ...inputOf({ opened, entries }), stepId, load });
  };
  const mendingOf = (trouble: Trouble, degree: Degree, stepId: string): Promise<Mending> => {
    const { opened, entries } = current.value!;
    return ask('mending', { ...inputOf({ opened, entries }), trouble, degree, stepId });
  };

  async function dismiss(number: number): Promise<void> {
    await (await box()).dismiss(number);
    waiting.value = await (await box()).waiting();
  }

  let isRereading = false;
  /** Sends, reads what others wrote, and works it out. */
  async function reread(): Promise<void> {
    if (isRereading) return;
    isRereading = true;
    try {
      await flush();
      for (const of of [...kept.keys()]) await read(of);
      await beside();
      await work();
    } catch (error) {
      problem.value = (error as Error).message;
    } finally {
      isRereading = false;
    }
  }

  return {
    batches,
    code,
    current,
    now,
    tell,
    isAway,
    unsent,
    refused,
    problem,
    open,
    work,
    reread,
    write,
    writeAll,
    effectOf,
    forgottenAt,
    mendingOf,
    dismiss,
    REREAD_MS,
  };
});
