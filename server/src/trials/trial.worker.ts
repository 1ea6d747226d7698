import { TrialRun, type Gadget, type Trial, type TrialResult } from '@hum-lever/core';
import { parentPort } from 'node:worker_threads';

/** What the worker is asked. */
export interface TrialTask {
  job: string;
  gadget: Gadget;
  trial: Trial;
  mostMs: number;
}
/** What it tells: how far it has come, and at last the result. */
export type TrialTold =
  { job: string; atUs: number } | { job: string; result: TrialResult } | { job: string; failed: string };

/** About 20 ms. */
const piece = 3_000_000;
const tellEveryMs = 100;

parentPort!.on('message', ({ job, gadget, trial, mostMs }: TrialTask) => {
  const tell = (told: TrialTold) => parentPort!.postMessage(told);
  try {
    const run = new TrialRun(gadget, trial, new Set());
    const untilMs = performance.now() + mostMs;
    let toldMs = 0;
    while (!run.advance(piece)) {
      const nowMs = performance.now();
      if (nowMs > untilMs) {
        run.stop('time');
        break;
      }
      if (nowMs - toldMs < tellEveryMs) continue;
      toldMs = nowMs;
      tell({ job, atUs: run.atUs });
    }
    tell({ job, result: run.outcome.result });
  } catch (error) {
    tell({ job, failed: (error as Error).message });
  }
});
