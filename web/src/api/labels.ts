/** Labels, accounts, printer and scale over the server. */
import type {
  AuditPage,
  Claim,
  CodeImage,
  CookedBatchView,
  LabelKind,
  LabelOptions,
  Person,
  PrinterPage,
  Regime,
  Release,
  ReleaseView,
  Role,
  SimulatedAct,
  StatementStyle,
  Target,
} from '@hand-ladle/core';
import { answerOf, call } from './client';

export interface DraftRequest {
  recipeId: string;
  target: Target;
  regime: Regime;
  kitchenId: string;
  vesselIds: string[];
  style: StatementStyle;
  options: LabelOptions;
}
/** Labels of several dishes, or slips of several trays, as one job. */
export interface LabelRun extends Pick<LabelOptions, 'stock' | 'start' | 'form' | 'symbology'> {
  items: {
    releaseId: string;
    quantity: number;
    madeOn?: string | null;
    grams?: number | null;
    group?: string | null;
    texture?: string | null;
  }[];
}
export type FileFormat = 'pdf' | 'png' | 'svg' | 'txt';

const one = (id: string): string => `/api/labels/${encodeURIComponent(id)}`;

export const labels = {
  session: () => call<{ person: Person | null }>('/api/session'),
  signIn: (login: string, password: string) =>
    call<{ person: Person }>('/api/session', 'POST', { login, password }),
  signOut: () => call<{ person: null }>('/api/session', 'DELETE'),
  people: () => call<Person[]>('/api/people'),
  createPerson: (person: { login: string; name: string; role: Role; password: string }) =>
    call<Person>('/api/people', 'POST', person),
  changePerson: (
    id: string,
    fields: Partial<Pick<Person, 'name' | 'role' | 'isActive'>> & { password?: string; pin?: string },
  ) => call<Person>(`/api/people/${encodeURIComponent(id)}`, 'PUT', fields),
  setPin: (pin: string) => call<Person>('/api/pin', 'PUT', { pin }),
  audit: (before: number | null) =>
    call<AuditPage>(`/api/audit${before === null ? '' : `?before=${before}`}`),

  list: (kitchenId: string, recipeId?: string) =>
    call<ReleaseView[]>(
      `/api/labels?${new URLSearchParams({ kitchenId, ...(recipeId ? { recipeId } : {}) })}`,
    ),
  release: (id: string) => call<Release>(one(id)),
  handIn: (request: Omit<DraftRequest, 'options'> & { kind: LabelKind; claims: string[] }) =>
    call<Release>('/api/labels', 'POST', request),
  step: (id: string, act: 'check' | 'release' | 'withdraw', version: number) =>
    call<Release>(`${one(id)}/${act}`, 'POST', { version }),
  print: (id: string, options: LabelOptions, batchCode: string | null) =>
    call<{ jobId: string; batchCode: string }>(`${one(id)}/print`, 'POST', { options, batchCode }),
  file: async (id: string, format: FileFormat, options: LabelOptions, batchCode: string | null) =>
    (await answerOf(`${one(id)}/file/${format}`, 'POST', { options, batchCode })).blob(),
  printRun: (run: LabelRun) => call<{ jobId: string; batchCodes: string[] }>('/api/label-runs', 'POST', run),
  runFile: async (run: LabelRun) => (await answerOf('/api/label-runs/file/pdf', 'POST', run)).blob(),
  draftFile: async (format: FileFormat, request: DraftRequest) =>
    (await answerOf(`/api/label/${format}`, 'POST', request)).blob(),
  claims: (request: DraftRequest) => call<Claim[]>('/api/claims', 'POST', request),
  code: (symbology: CodeImage['symbology'], text: string) =>
    call<CodeImage>(`/api/code/${symbology}?${new URLSearchParams({ text })}`),
  batch: (code: string) => call<CookedBatchView>(`/api/batches/${encodeURIComponent(code)}`),

  printer: () => call<PrinterPage>('/api/printer'),
  simulate: (act: SimulatedAct) => call<PrinterPage>('/api/printer/simulate', 'POST', { act }),
  resume: () => call<PrinterPage>('/api/printer/resume', 'POST', {}),
  cancel: (id: string) => call<PrinterPage>(`/api/printer/jobs/${encodeURIComponent(id)}/cancel`, 'POST', {}),
  putOnScale: (grams: number) => call<{ grams: number }>('/api/scale/simulate', 'POST', { grams }),
};
