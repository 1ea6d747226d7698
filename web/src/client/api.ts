import type { Fault, Gadget, Picture, Trial, TrialResult } from '@hum-lever/core';

export interface GadgetSummary {
  id: string;
  name: string;
  revision: number;
  createdAt: string;
  savedAt: string;
  binnedAt: string | null;
}
export interface OpenGadget extends GadgetSummary {
  document: Gadget;
}
export interface RevisionSummary {
  revision: number;
  name: string | null;
  savedAt: string;
  restoredFrom: number | null;
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

/** No answer at all: the server is away, or the network is. */
export class ServerAway extends Error {
  constructor() {
    super('The server does not answer.');
  }
}

interface Options {
  body?: unknown;
  base?: number;
}

async function call<T>(method: string, path: string, { body, base }: Options = {}): Promise<T> {
  const headers: Record<string, string> = { 'content-type': 'application/json' };
  if (base !== undefined) headers['if-match'] = `"${base}"`;
  const text = body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body);
  let response: Response;
  try {
    response = await fetch(`/api${path}`, { method, headers, body: text });
  } catch {
    throw new ServerAway();
  }
  // A proxy in between answers for a server that is away.
  if (response.status === 502 || response.status === 503 || response.status === 504) throw new ServerAway();
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  throw new ApiProblem(response.status, await response.json().catch(() => ({})));
}

export const api = {
  gadgets: (bin: boolean) => call<GadgetSummary[]>('GET', `/gadgets${bin ? '?bin=1' : ''}`),
  create: (name: string) => call<OpenGadget>('POST', '/gadgets', { body: { name } }),
  createFrom: (document: Gadget) => call<OpenGadget>('POST', '/gadgets', { body: { document } }),
  importText: (text: string) => call<OpenGadget>('POST', '/gadgets/import', { body: text }),
  open: (id: string) => call<OpenGadget>('GET', `/gadgets/${id}`),
  save: (id: string, base: number, document: Gadget) =>
    call<GadgetSummary>('PUT', `/gadgets/${id}`, { body: document, base }),
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
  runTrial: (id: string, trialId: string, revision: number) =>
    call<StoredTrial>('POST', `/gadgets/${id}/trials/${trialId}/runs`, { body: { revision } }),
};

/** Keeps a picture on the server; it is named by the sum of its bytes. */
export async function addPicture(file: Blob): Promise<Pick<Picture, 'sha256' | 'type'>> {
  let response: Response;
  try {
    response = await fetch('/api/pictures', { method: 'POST', body: file });
  } catch {
    throw new ServerAway();
  }
  if (response.ok) return (await response.json()) as Pick<Picture, 'sha256' | 'type'>;
  throw new ApiProblem(response.status, await response.json().catch(() => ({})));
}

export const pictureUrl = (sha256: string) => `/api/pictures/${sha256}`;
export const fileUrl = (id: string) => `/api/gadgets/${id}/file`;
