/** The stove's requests. */
import type {
  BatchRow,
  CookedBatchView,
  LabelKind,
  PinSignature,
  Release,
  Signer,
  Target,
  ToldEntry,
} from '@hand-ladle/core';
import { answerOf, call } from '../../api/client';
import type { Send } from './outbox';

const at = (code: string): string => `/api/batches/${encodeURIComponent(code)}`;

/** How far this clock is ahead of the server's, seconds, by the last answer; below two it is none: the answer tells whole seconds. */
let aheadSeconds = 0;
export const clockAhead = (): number => aheadSeconds;

function noteClock(response: Response): void {
  const said = Date.parse(response.headers.get('Date') ?? '');
  if (!Number.isFinite(said)) return;
  const seconds = Math.round((Date.now() - said) / 1000);
  aheadSeconds = Math.abs(seconds) < 3 ? 0 : seconds;
}

async function timed<T>(path: string): Promise<T> {
  const response = await answerOf(path, 'GET');
  // What comes out of the browser's own store tells an old time.
  if (response.headers.get('X-From-Store') === null) noteClock(response);
  return (await response.json()) as T;
}

export interface NewBatchAsked {
  recipeId: string;
  kitchenId: string;
  target?: Target;
  serviceId?: string;
  versionKey?: string;
  clientId: string;
  openedBy: string;
}

export const cookServer = {
  open: (asked: NewBatchAsked) => call<{ code: string }>('/api/batches', 'POST', asked),
  batch: (code: string) => timed<CookedBatchView>(at(code)),
  openBatches: (kitchenId: string) =>
    timed<BatchRow[]>(`/api/batches?${new URLSearchParams({ kitchenId, open: 'true' })}`),
  batchesOfRecipe: (kitchenId: string, recipeId: string) =>
    call<BatchRow[]>(`/api/batches?${new URLSearchParams({ kitchenId, recipeId })}`),
  batchesOf: (kitchenId: string, date: string) =>
    call<BatchRow[]>(`/api/batches?${new URLSearchParams({ kitchenId, date })}`),
  signers: () => call<Signer[]>('/api/signers'),
  sign: (personId: string, pin: string) => call<PinSignature>('/api/signatures', 'POST', { personId, pin }),
  probe: () => call<{ celsius: number; isSteady: boolean }>('/api/probe'),
  putProbe: (celsius: number) => call('/api/probe/simulate', 'POST', { celsius }),
  handInLabel: (code: string, kind: LabelKind) => call<Release>(`${at(code)}/label`, 'POST', { kind }),
};

const DAY = /^day (\S+) (\S+)$/;

/** Sends entries to their batch or their day. */
export const sendEntries: Send = (log, entries: readonly (ToldEntry & { signature: string })[]) => {
  const sentAt = new Date().toISOString();
  const day = DAY.exec(log);
  return day
    ? call('/api/day-log/entries', 'POST', { kitchenId: day[1], date: day[2], entries, sentAt })
    : call(`${at(log)}/entries`, 'POST', { entries, sentAt });
};
