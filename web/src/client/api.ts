import { takeAhead } from './ahead.ts';
import type { Card, Fault, Gadget, OwnClass, Photo, Portrait, Trial, TrialResult } from '@hum-lever/core';

export interface GadgetSummary {
  id: string;
  name: string;
  revision: number;
  createdAt: string;
  savedAt: string;
  binnedAt: string | null;
}
/** A gadget on the shelf, with what is known of it. */
export interface ShelfGadget extends GadgetSummary {
  /** Of which revision; null: not known yet. A card that is null in it could not be worked out. */
  card: { revision: number; card: Card | null } | null;
  /** How its trials went when each was run last; `older` of them on something that has changed since. */
  trials: { passed: number; failed: number; older: number; neverRun: number };
}
export interface OpenGadget extends GadgetSummary {
  document: Gadget;
  /** Of the save that made the newest revision, as its page named it. */
  saveId: string | null;
}
export interface RevisionSummary {
  revision: number;
  name: string | null;
  savedAt: string;
  restoredFrom: number | null;
  saveId: string | null;
}
/** How much is kept of a gadget. */
export interface Kept {
  revisions: number;
  bytes: number;
  /** All saves there ever were. */
  saved: number;
}
/** A run of a trial on its way. */
export interface RunJob {
  id: string;
  state: 'waiting' | 'running' | 'done' | 'cancelled' | 'failed';
  atUs: number;
  endUs: number;
  ahead: number;
  message: string | null;
}
/** A part that a maker described, kept for the next gadgets. */
export interface DrawerPart {
  id: string;
  own: OwnClass;
  keptAt: string;
}
export interface Restored {
  added: number;
  same: number;
  beside: number;
}
export interface TrialRun {
  revision: number;
  version: number;
  ranAt: string;
  result: TrialResult;
}
export interface StoredTrial {
  id: string;
  version: number;
  createdAt: string;
  trial: Trial;
  runs: TrialRun[];
}

/** The server's own word on why it did not do something (RFC 9457). */
export class ApiProblem extends Error {
  readonly status: number;
  readonly kind: string;
  readonly errors: Fault[];
  readonly head: unknown;
  constructor(status: number, body: { type?: string; detail?: string; errors?: Fault[]; head?: unknown }) {
    super(body.detail ?? `The server answered ${status}.`);
    this.status = status;
    this.kind = body.type?.split(':').at(-1) ?? 'unexpected';
    this.errors = body.errors ?? [];
    this.head = body.head;
  }
}

/** No answer at all, or none but that it cannot now: what was asked may be asked again. */
export class ServerAway extends Error {
  /** How long it wants to be left alone. */
  readonly retryMs: number;
  constructor(message = 'The server does not answer.', retryMs = 0) {
    super(message);
    this.retryMs = retryMs;
  }
}

interface Options {
  body?: unknown;
  base?: number;
  saveId?: string;
}

/** The answer's body, or what it says is wrong. @throws ServerAway for the server's own reasons, ApiProblem for others */
async function answerOf<T>(response: Response): Promise<T> {
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as { detail?: string };
  // A proxy in between answers for a server that is away, too.
  if (response.status >= 500)
    throw new ServerAway(problem.detail, 1_000 * (Number(response.headers.get('retry-after')) || 0));
  throw new ApiProblem(response.status, problem);
}

async function answered(response: Promise<Response>): Promise<Response> {
  try {
    return await response;
  } catch {
    throw new ServerAway();
  }
}
const asked = (path: string, init: RequestInit) => answered(fetch(`/api${path}`, init));

async function call<T>(method: string, path: string, { body, base, saveId }: Options = {}): Promise<T> {
  const headers: Record<string, string> = { 'content-type': 'application/json' };
  if (base !== undefined) headers['if-match'] = `"${base}"`;
  if (saveId !== undefined) headers['save-id'] = saveId;
  const text = body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body);
  return answerOf<T>(await asked(path, { method, headers, body: text }));
}

export const api = {
  shelf: (bin: boolean) => call<ShelfGadget[]>('GET', `/gadgets?cards=1${bin ? '&bin=1' : ''}`),
  portrait: (id: string) => call<{ revision: number; portrait: Portrait }>('GET', `/gadgets/${id}/portrait`),
  create: (name: string) => call<OpenGadget>('POST', '/gadgets', { body: { name } }),
  createFrom: (document: Gadget) => call<OpenGadget>('POST', '/gadgets', { body: { document } }),
  importText: (text: string) => call<OpenGadget>('POST', '/gadgets/import', { body: text }),
  open: async (id: string) => {
    const ahead = takeAhead(id);
    return ahead ? answerOf<OpenGadget>(await answered(ahead)) : call<OpenGadget>('GET', `/gadgets/${id}`);
  },
  save: (id: string, base: number, document: Gadget, saveId: string) =>
    call<GadgetSummary>('PUT', `/gadgets/${id}`, { body: document, base, saveId }),
  kept: (id: string) => call<Kept>('GET', `/gadgets/${id}/kept`),
  rename: (id: string, name: string) => call<GadgetSummary>('PATCH', `/gadgets/${id}`, { body: { name } }),
  duplicate: (id: string) => call<OpenGadget>('POST', `/gadgets/${id}/duplicate`),
  bin: (id: string) => call<GadgetSummary>('DELETE', `/gadgets/${id}`),
  unbin: (id: string) => call<GadgetSummary>('POST', `/gadgets/${id}/restore`),
  revisions: (id: string) => call<RevisionSummary[]>('GET', `/gadgets/${id}/revisions`),
  revision: (id: string, revision: number) =>
    call<RevisionSummary & { document: Gadget }>('GET', `/gadgets/${id}/revisions/${revision}`),
  nameRevision: (id: string, revision: number, name: string | null) =>
    call<RevisionSummary>('PATCH', `/gadgets/${id}/revisions/${revision}`, { body: { name } }),
  restoreRevision: (id: string, revision: number) =>
    call<OpenGadget>('POST', `/gadgets/${id}/revisions/${revision}/restore`),
  trials: (id: string) => call<StoredTrial[]>('GET', `/gadgets/${id}/trials`),
  createTrial: (id: string, trial: Trial) =>
    call<StoredTrial>('POST', `/gadgets/${id}/trials`, { body: trial }),
  saveTrial: (id: string, trialId: string, base: number, trial: Trial) =>
    call<StoredTrial>('PUT', `/gadgets/${id}/trials/${trialId}`, { body: trial, base }),
  removeTrial: (id: string, trialId: string) => call<void>('DELETE', `/gadgets/${id}/trials/${trialId}`),
  startRun: (id: string, trialId: string, revision: number) =>
    call<StoredTrial | { job: RunJob }>('POST', `/gadgets/${id}/trials/${trialId}/runs`, {
      body: { revision },
    }),
  trial: (id: string, trialId: string) => call<StoredTrial>('GET', `/gadgets/${id}/trials/${trialId}`),
  job: (jobId: string) => call<RunJob>('GET', `/jobs/${jobId}`),
  cancelJob: (jobId: string) => call<RunJob>('DELETE', `/jobs/${jobId}`),
  drawer: () => call<DrawerPart[]>('GET', '/drawer'),
  keepInDrawer: (own: OwnClass) => call<DrawerPart>('POST', '/drawer', { body: own }),
  takeFromDrawer: (id: string) => call<void>('DELETE', `/drawer/${id}`),
  restoreShelf: async (file: Blob) =>
    answerOf<Restored>(await asked('/shelf/restore', { method: 'POST', body: file })),
};

/** Between two looks at a run that takes its time. */
const lookMs = 250;

/** Plays a trial on the server and waits until it is over. @param tell how it stands meanwhile */
export async function runTrial(
  id: string,
  trialId: string,
  revision: number,
  tell: (job: RunJob) => void = () => undefined,
): Promise<StoredTrial> {
  const ran = await api.startRun(id, trialId, revision);
  if (!('job' in ran)) return ran;
  for (let { job } = ran; ; job = await api.job(job.id)) {
    if (job.state === 'done' || job.state === 'cancelled') return api.trial(id, trialId);
    if (job.state === 'failed') throw new Error(`The run broke off: ${job.message ?? 'for no reason given'}`);
    tell(job);
    await new Promise((resolve) => setTimeout(resolve, lookMs));
  }
}

/** Keeps a picture on the server; it is named by the sum of its bytes. */
export const addPicture = async (file: Blob): Promise<Pick<Photo, 'sha256' | 'type'>> =>
  answerOf(await asked('/pictures', { method: 'POST', body: file }));

export const backupUrl = '/api/shelf/backup';
export const pictureUrl = (sha256: string) => `/api/pictures/${sha256}`;
export const fileUrl = (id: string) => `/api/gadgets/${id}/file`;
