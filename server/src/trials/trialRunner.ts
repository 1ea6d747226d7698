import type { Gadget, Trial, TrialResult } from '@hum-lever/core';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { randomBytes } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import { notFound, Problem } from '../http/problem.ts';
import type { TrialTask, TrialTold } from './trial.worker.ts';

/** How a run on its way stands. Times are the gadget's. */
export interface JobView {
  id: string;
  state: 'waiting' | 'running' | 'done' | 'cancelled' | 'failed';
  atUs: number;
  endUs: number;
  /** Runs before it. */
  ahead: number;
  message: string | null;
}

interface Job {
  view: Omit<JobView, 'ahead'>;
  task: TrialTask;
  /** Keeps the result; it is done once that is done. */
  keep: (result: TrialResult) => Promise<void>;
  /** Its result is being kept: too late to cancel it. */
  keeping: boolean;
  over: Promise<void>;
  end: () => void;
}

/** What a run may take; longer, it is stopped. */
export abstract class RunLimits {
  abstract readonly mostMs: number;
}

/** The worker looks at the time itself; should it not, it is ended from here. */
const graceMs = 5_000;
const mostMemoryMb = 768;
/** More do not wait; whoever asks is told to come again. */
const mostWaiting = 16;
/** Jobs that are over can still be asked for. */
const keptJobs = 200;

/** Plays trials one after the other in a thread of their own, so that saving never waits for playing. */
@Injectable()
export class TrialRunner implements OnApplicationShutdown {
  private worker: Worker | null = null;
  private readonly jobs = new Map<string, Job>();
  private waiting: Job[] = [];
  private running: Job | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly limits: RunLimits) {}

  /** Somebody looks at trials: the first run should not wait for the thread to start. */
  warm(): void {
    this.ready();
  }

  /** @throws Problem 503 where too many wait */
  add(gadget: Gadget, trial: Trial, keep: (result: TrialResult) => Promise<void>): string {
    if (this.waiting.length >= mostWaiting)
      throw new Problem(503, 'busy', `${mostWaiting} runs are waiting already; ask again in a while.`, {
        retryAfterS: 10,
      });
    const id = `j${randomBytes(8).toString('hex')}`;
    let end = () => {};
    const over = new Promise<void>((resolve) => (end = resolve));
    const view = { id, state: 'waiting' as const, atUs: 0, endUs: trial.endUs, message: null };
    const job: Job = {
      view,
      task: { job: id, gadget, trial, mostMs: this.limits.mostMs },
      keep,
      keeping: false,
      over,
      end,
    };
    this.jobs.set(id, job);
    for (const [old, { view: one }] of this.jobs) {
      if (this.jobs.size <= keptJobs) break;
      if (one.state !== 'waiting' && one.state !== 'running') this.jobs.delete(old);
    }
    this.waiting.push(job);
    this.next();
    return id;
  }

  view(id: string): JobView {
    const { view } = this.job(id);
    const place = this.waiting.findIndex((one) => one.view.id === id);
    return { ...view, ahead: place < 0 ? 0 : place + (this.running ? 1 : 0) };
  }

  /** Resolves when the job is over, or after that time. */
  async wait(id: string, ms: number): Promise<void> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<void>((resolve) => (timer = setTimeout(resolve, ms)));
    await Promise.race([this.job(id).over, late]);
    clearTimeout(timer);
  }

  cancel(id: string): JobView {
    const job = this.job(id);
    if (job.keeping) return this.view(id);
    if (job === this.running) this.endWorker();
    if (job === this.running || this.waiting.includes(job)) this.finish(job, 'cancelled', null);
    return this.view(id);
  }

  async onApplicationShutdown(): Promise<void> {
    this.waiting = [];
    clearTimeout(this.timer);
    await this.worker?.terminate();
  }

  private job(id: string): Job {
    const job = this.jobs.get(id);
    if (!job) throw notFound('such run on its way');
    return job;
  }

  private next(): void {
    if (this.running) return;
    const job = this.waiting.shift();
    if (!job) return;
    this.running = job;
    job.view.state = 'running';
    this.ready().postMessage(job.task);
    this.timer = setTimeout(() => this.stopped(job, 'time'), this.limits.mostMs + graceMs);
  }

  private ready(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('./trial.worker.js', import.meta.url), {
      resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb },
    });
    worker.on('message', (told: TrialTold) => this.heard(told));
    worker.on('error', (error: Error & { code?: string }) => {
      this.worker = null;
      const { running } = this;
      if (!running) return;
      if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') this.stopped(running, 'memory');
      else this.finish(running, 'failed', error.message);
    });
    worker.unref();
    this.worker = worker;
    return worker;
  }

  private endWorker(): void {
    void this.worker?.terminate();
    this.worker = null;
  }

  private heard(told: TrialTold): void {
    const { running } = this;
    // A message of a job that was cancelled meanwhile.
    if (!running || running.view.id !== told.job) return;
    if ('atUs' in told) running.view.atUs = told.atUs;
    else if ('failed' in told) this.finish(running, 'failed', told.failed);
    else void this.done(running, told.result);
  }

  /** Ended from outside: where it was is known from what it told last. */
  private stopped(job: Job, by: 'time' | 'memory'): void {
    this.endWorker();
    const { atUs } = job.view;
    void this.done(job, {
      passed: null,
      stopped: { atUs, by },
      still: null,
      expectations: job.task.trial.expectations.map(({ id }) => {
        return { id, passed: null, came: null, heldAtUs: null };
      }),
      swallowed: 0,
      extra: 0,
      missingControls: [],
    });
  }

  private async done(job: Job, result: TrialResult): Promise<void> {
    clearTimeout(this.timer);
    job.keeping = true;
    try {
      await job.keep(result);
      job.view.atUs = result.stopped ? result.stopped.atUs : job.view.endUs;
      this.finish(job, 'done', null);
    } catch (error) {
      this.finish(job, 'failed', (error as Error).message);
    }
  }

  private finish(job: Job, state: 'done' | 'cancelled' | 'failed', message: string | null): void {
    if (job === this.running) {
      clearTimeout(this.timer);
      this.running = null;
    }
    this.waiting = this.waiting.filter((one) => one !== job);
    job.view.state = state;
    job.view.message = message;
    job.end();
    this.next();
  }
}
