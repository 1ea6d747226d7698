import type { Gadget, OutputKind, OutputState, TraceEntry, Voice } from '@hum-lever/core';
import type { AnyEar } from './voice.ts';
import { voices as listed } from './voices.table.ts';

const ears = listed as { readonly [K in OutputKind]?: AnyEar };

type Outputs = Readonly<Record<string, OutputState>>;

/** Follows what sounds of a gadget, entry by entry. */
export class Ears {
  private heard = new Map<string, { ear: AnyEar; is: unknown }>();
  private readonly gadget: Gadget;

  /** @param outputs as they are just now */
  constructor(gadget: Gadget, outputs: Outputs) {
    this.gadget = gadget;
    this.begin((ear, before, id) => (outputs[id] ? ear.at(before, outputs[id]) : before));
  }

  /** Whether anything of it can sound. */
  get any(): boolean {
    return this.heard.size > 0;
  }

  private begin(as: (ear: AnyEar, before: unknown, id: string) => unknown): void {
    this.heard = new Map(
      this.gadget.outputs.flatMap((output) => {
        const ear = ears[output.kind];
        return ear ? [[output.id, { ear, is: as(ear, ear.begin(output, this.gadget), output.id) }]] : [];
      }),
    );
  }

  /** @returns whether something may sound otherwise since */
  hear(entry: TraceEntry): boolean {
    if (entry.lane === 'power' && entry.event === 'cycle') {
      // What is told from now on begins anew.
      this.begin((_ear, before) => before);
      return true;
    }
    const one = 'id' in entry && entry.id !== null ? this.heard.get(entry.id) : undefined;
    if (!one || one.ear.lane !== entry.lane) return false;
    one.is = one.ear.hear(one.is, entry as never);
    return true;
  }

  /**
   * Follows a stretch of the trace.
   * @param afterUs only what is later is told, though all of it is heard
   * @returns what sounds from when on, where it may be otherwise; what comes in one moment is one
   */
  follow(
    entries: readonly TraceEntry[],
    afterUs: number,
  ): { atUs: number; sounding: Record<string, Voice> }[] {
    const moments: { atUs: number; sounding: Record<string, Voice> }[] = [];
    for (const entry of entries) {
      if (!this.hear(entry) || entry.atUs <= afterUs) continue;
      if (moments.at(-1)?.atUs === entry.atUs) moments.pop();
      moments.push({ atUs: entry.atUs, sounding: this.sounding });
    }
    return moments;
  }

  /** All that sounds, by output and voice. */
  get sounding(): Record<string, Voice> {
    return Object.fromEntries(
      [...this.heard].flatMap(([id, { ear, is }]) =>
        Object.entries(ear.voices(is)).map(([key, voice]) => [`${id} ${key}`, voice]),
      ),
    );
  }
}
