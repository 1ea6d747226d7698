import { wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FileReading } from './reader.worker.ts';

/** The same functions, answering later; a union answers as one promise. */
type Asked<T> = {
  [K in keyof T]: T[K] extends (...args: infer A) => infer R ? (...args: A) => Promise<R> : never;
};
type Reader = Asked<FileReading>;

interface Reading {
  worker: Worker;
  remote: Reader;
}

/** Reads of one place, one at a time; the worker is started with the first and ended with the place. */
class Readings {
  private current: Reading | null = null;

  private start(): Reading {
    const worker = new Worker(new URL('./reader.worker.ts', import.meta.url), { type: 'module' });
    return { worker, remote: wrap<FileReading>(worker) as unknown as Reader };
  }

  /** null where it was stopped meanwhile. */
  async run<T>(read: (reader: Reader) => Promise<T>): Promise<T | null> {
    const mine = (this.current ??= this.start());
    const stopped = new Promise<null>((resolve) => (this.onStop = () => resolve(null)));
    const come = await Promise.race([read(mine.remote), stopped]);
    return this.current === mine ? come : null;
  }
  private onStop: () => void = () => undefined;

  stop(): void {
    this.current?.worker.terminate();
    this.current = null;
    this.onStop();
  }
}

/** Reading a file beside the page: whether one is being read, since when, and how to stop it. */
export function useReading() {
  const readings = useRef<Readings | null>(null);
  const [reading, setReading] = useState(false);
  useEffect(() => () => readings.current?.stop(), []);
  const run = useCallback(async <T>(read: (reader: Reader) => Promise<T>): Promise<T | null> => {
    readings.current ??= new Readings();
    setReading(true);
    try {
      return await readings.current.run(read);
    } finally {
      setReading(false);
    }
  }, []);
  const stop = useCallback(() => readings.current?.stop(), []);
  return { reading, run, stop };
}
