/** A draft over a server that answers when a test tells it to. */
import { ServerError } from '../../src/api/client';
import { type DraftWays, useSavedDraft } from '../../src/state/saved-draft';

export interface Dish {
  name: string;
  portions: number;
}
export interface SavedDish {
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

export const settle = async (): Promise<void> => {
  for (let turn = 0; turn < 10; turn += 1) await Promise.resolve();
};

/** A server that holds dishes with their versions and answers when it is told to. */
export function world(ways: Partial<DraftWays<Dish, SavedDish>> = {}) {
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

export const unreachable = new ServerError('unreachable', 'The server does not answer.');
