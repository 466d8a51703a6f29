/**
 * The one owner of what is being saved: what a person changes here is kept on the server, quietly, one save at a time, with
 * undo and redo. What cannot be kept stays on the screen and says why. A draft that is left before it was kept goes on being
 * saved behind, and is found as it was left when it is opened again: nobody loses what they did.
 */
import { useManualRefHistory } from '@vueuse/core';
import { computed, type Ref, ref, type ShallowRef, shallowRef } from 'vue';
import type { ServerError } from '../api/client';

/** `changed` waits to be sent, `saving` is on its way; the last three are said aloud with their ways out. */
export type SaveStatus = 'saved' | 'changed' | 'saving' | 'conflict' | 'unreachable' | 'refused';

/** The quiet word beside a draft; what stands against a save is said aloud elsewhere. */
export const STATUS_WORDS: Readonly<Record<SaveStatus, string>> = {
  saved: 'Kept',
  changed: 'Keeping …',
  saving: 'Keeping …',
  conflict: '',
  refused: '',
  unreachable: '',
};

/** What the server holds of a draft: the version that the next save is held against goes with it. */
export interface Kept<Draft> {
  id: string;
  draft: Draft;
  version: number;
}

export interface DraftWays<Draft, Saved> {
  /** Sends a draft over the version that was read. */
  save: (id: string, draft: Draft, version: number) => Promise<Saved>;
  /** What an answer of the server says is kept. */
  keptIn: (saved: Saved) => Kept<Draft>;
  /** What of a draft a person says, where the server tells more beside it; without it, all of it. */
  said?: (draft: Draft) => unknown;
  /** The error code that means: somebody else saved first; what they saved is its first detail. */
  conflict: string;
  /** Milliseconds of rest after the last change before it is sent. */
  restMs: number;
  /** Something was kept; `isLatest` where nothing was changed meanwhile. */
  onKept?: (saved: Saved, isLatest: boolean) => void | Promise<void>;
  /** A refusal as a person reads it. */
  refusalIn?: (error: ServerError) => string;
}

/** A draft in letters, the same whatever order its fields stand in; which version it goes over is no part of it. */
const inLetters = (draft: unknown): string =>
  JSON.stringify({ ...(draft as object), version: 0 }, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
      : value,
  );

/**
 * What this tab sent and had no answer to, its page before a reload too: the server may hold it all the same, and then what stands
 * against the next save is nobody else's.
 */
class Unanswered {
  private readonly key: string;
  constructor(name: string) {
    this.key = `hand-ladle.unanswered.${name}`;
  }
  private get all(): string[] {
    return JSON.parse(sessionStorage.getItem(this.key) ?? '[]') as string[];
  }
  has(said: string): boolean {
    return this.all.includes(said);
  }
  add(said: string): void {
    try {
      sessionStorage.setItem(this.key, JSON.stringify([...new Set([...this.all, said])].slice(-5)));
    } catch {
      // A tab's store that is full forgets: then a conflict is asked about, as any other.
    }
  }
  clear(): void {
    sessionStorage.removeItem(this.key);
  }
}

const TRY_AGAIN_MS = 3000;
const MOST_STEPS = 100;

/** One draft on its way to the server; it lives on when another one is opened. */
class Saving<Draft, Saved> {
  readonly draft: ShallowRef<Draft>;
  readonly status = ref<SaveStatus>('saved');
  readonly message = ref('');
  readonly history;
  private version: number;
  private theirs: Saved | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private onWay: Promise<void> | null = null;
  private readonly unanswered: Unanswered;

  constructor(
    readonly id: string,
    kept: Kept<Draft>,
    private readonly ways: DraftWays<Draft, Saved>,
    private readonly onClean: (one: Saving<Draft, Saved>) => void,
  ) {
    this.draft = shallowRef(kept.draft) as ShallowRef<Draft>;
    this.version = kept.version;
    this.unanswered = new Unanswered(`${ways.conflict}.${id}`);
    // Drafts are never changed in place: a step of undo is the draft itself.
    this.history = useManualRefHistory(this.draft, { capacity: MOST_STEPS, clone: (each) => each });
  }

  private said(draft: Draft): string {
    return inLetters(this.ways.said?.(draft) ?? draft);
  }

  /** The draft is otherwise now, by a change or a step of undo; it is sent once the hand rests. */
  touch(): void {
    if (this.status.value !== 'conflict' && this.status.value !== 'saving') this.status.value = 'changed';
    this.sendSoon(this.ways.restMs);
  }

  private sendSoon(afterMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), afterMs);
  }

  /** Sends the draft as it is; while one save is on its way the next one waits for its answer. */
  send(): Promise<void> {
    clearTimeout(this.timer);
    this.onWay ??= this.sendOnce().finally(() => {
      this.onWay = null;
      // What was changed while this save was on its way, or while its answer was taken in, is sent next.
      if (this.status.value === 'changed') this.sendSoon(this.ways.restMs);
      else if (this.status.value === 'saved') this.onClean(this);
    });
    return this.onWay;
  }

  private async sendOnce(): Promise<void> {
    if (this.status.value === 'saved' || this.status.value === 'conflict') return;
    const sent = this.draft.value;
    this.status.value = 'saving';
    this.unanswered.add(this.said(sent));
    try {
      const saved = await this.ways.save(this.id, sent, this.version);
      await this.isKept(saved, this.draft.value === sent);
    } catch (error) {
      await this.failed(error as ServerError);
    }
  }

  private async isKept(saved: Saved, isLatest: boolean): Promise<void> {
    this.unanswered.clear();
    this.version = this.ways.keptIn(saved).version;
    this.message.value = '';
    this.status.value = isLatest ? 'saved' : 'changed';
    await this.ways.onKept?.(saved, isLatest);
  }

  private async failed(error: ServerError): Promise<void> {
    this.message.value = error.message;
    if (error.code === 'unreachable' || error.code === 'database-down') {
      this.status.value = 'unreachable';
      this.sendSoon(TRY_AGAIN_MS);
      return;
    }
    const theirs =
      error.code === this.ways.conflict ? ((error.details[0] as Saved | undefined) ?? null) : null;
    const held = theirs && this.ways.keptIn(theirs).draft;
    if (theirs && held && this.unanswered.has(this.said(held))) {
      await this.isKept(theirs, this.said(held) === this.said(this.draft.value));
      return;
    }
    this.unanswered.clear();
    if (error.code === this.ways.conflict) {
      this.theirs = theirs;
      this.status.value = 'conflict';
    } else {
      this.message.value = this.ways.refusalIn?.(error) ?? error.message;
      this.status.value = 'refused';
    }
  }

  /**
   * Takes in the version of what the server holds by now, where it says the same; true where it is otherwise, and nothing of ours
   * waits to go over it.
   */
  meets({ draft, version }: Kept<Draft>): boolean {
    const isAtRest = this.status.value === 'saved' && this.onWay === null;
    if (!isAtRest || version < this.version) return false;
    if (this.said(draft) !== this.said(this.draft.value)) return true;
    this.version = version;
    return false;
  }

  /** Sends until nothing waits, or something stands against it. */
  async flush(): Promise<void> {
    while (this.onWay || this.status.value === 'changed') await this.send();
  }

  /** After a conflict: what the other person saved; null while there is none. */
  takeTheirs(): Saved | null {
    const saved = this.theirs;
    if (!saved) return null;
    clearTimeout(this.timer);
    this.status.value = 'saved';
    this.onClean(this);
    return saved;
  }

  /** After a conflict: mine over the other person's version. */
  async putMineOver(): Promise<void> {
    if (!this.theirs) return;
    this.version = this.ways.keptIn(this.theirs).version;
    this.theirs = null;
    this.status.value = 'changed';
    await this.flush();
  }
}

export function useSavedDraft<Draft extends object, Saved>(ways: DraftWays<Draft, Saved>) {
  const open = shallowRef<Saving<Draft, Saved> | null>(null);
  /** What is not kept yet, by id: the open one and those that were left. */
  const unsaved = new Map<string, Saving<Draft, Saved>>();
  /** The draft as it was before a hand began to drag it; null while none does. */
  let dragFrom: Draft | null = null;

  const current = computed(() => open.value?.draft.value ?? null);
  const status: Readonly<Ref<SaveStatus>> = computed(() => open.value?.status.value ?? 'saved');
  const message = computed(() => open.value?.message.value ?? '');
  const canUndo = computed(() => open.value?.history.canUndo.value ?? false);
  const canRedo = computed(() => open.value?.history.canRedo.value ?? false);

  /** Shows what was read. What was left here unsaved under the same id comes first, and goes on being saved. */
  function show(saved: Saved): void {
    const kept = ways.keptIn(saved);
    const next = unsaved.get(kept.id) ?? new Saving(kept.id, kept, ways, (one) => unsaved.delete(one.id));
    // A hand that drags what stands open goes on; what it dragged before something else is shown is kept.
    if (next === open.value) return;
    drop();
    dragFrom = null;
    open.value = next;
  }

  /** Shows what another screen made of the open draft, where nothing of this one waits; true where it was otherwise. */
  function renew(saved: Saved): boolean {
    const kept = ways.keptIn(saved);
    if (open.value?.id !== kept.id || !open.value.meets(kept)) return false;
    show(saved);
    return true;
  }

  function changed(one: Saving<Draft, Saved>): void {
    unsaved.set(one.id, one);
    one.touch();
  }

  /** One step of undo. */
  function change(next: Draft): void {
    const one = open.value;
    if (!one) return;
    drop();
    one.draft.value = next;
    one.history.commit();
    changed(one);
  }

  /** Follows a hand that drags: shown at once, one step of undo for the whole drag, and not sent before `drop`. */
  function drag(next: Draft): void {
    const one = open.value;
    if (!one) return;
    dragFrom ??= one.draft.value;
    if (one.status.value === 'saved') one.status.value = 'changed';
    unsaved.set(one.id, one);
    one.draft.value = next;
  }

  function drop(): void {
    const one = open.value;
    if (!dragFrom || !one) return;
    dragFrom = null;
    // The hand rests: whoever waited for that is told by a draft of its own.
    one.draft.value = { ...one.draft.value };
    one.history.commit();
    changed(one);
  }

  function undo(): void {
    drop();
    const one = open.value;
    if (!one?.history.canUndo.value) return;
    one.history.undo();
    changed(one);
  }

  function redo(): void {
    drop();
    const one = open.value;
    if (!one?.history.canRedo.value) return;
    one.history.redo();
    changed(one);
  }

  /** Before leaving: everything that was done here is kept, or stands on the screen with what is against it. */
  async function flush(): Promise<void> {
    drop();
    await open.value?.flush();
  }

  function takeTheirs(): void {
    const theirs = open.value?.takeTheirs();
    if (!theirs) return;
    dragFrom = null;
    show(theirs);
  }

  return {
    draft: current,
    status,
    message,
    canUndo,
    canRedo,
    isDragging: (): boolean => dragFrom !== null,
    openId: computed(() => open.value?.id ?? null),
    show,
    renew,
    close: (): void => {
      open.value = null;
    },
    change,
    drag,
    drop,
    undo,
    redo,
    flush,
    takeTheirs,
    putMineOver: async (): Promise<void> => open.value?.putMineOver(),
    /** Whether anything waits, the drafts that were left included: a page is not closed over it unasked. */
    hasUnsaved: (): boolean => unsaved.size > 0,
  };
}

/** A refusal with the first field it is about. */
export function refusalWithField({ message, details }: ServerError): string {
  const detail = (details[0] as { message?: string } | undefined)?.message;
  return detail ? `${message} (${detail})` : message;
}
