import {
  boardOf,
  checkGadget,
  soundWays,
  compareBoards,
  compareSchemes,
  layWiring,
  encoderPart,
  knobFacts,
  measureOn,
  planSweep,
  portraitOf,
  quietReading,
  readGadget,
  printWav,
  recommend,
  renderMoments,
  recordedTrial,
  TrialRun,
  speedRow,
  speedsOf,
  stretchTrial,
  sweep,
  taperOf,
  triedSeed,
  tuneMoments,
  tuneSounding,
  effectSounding,
  tryTaps,
  tryTogether,
  StatesLooked,
  displaysShown,
  lightCodes,
  menuAdvice,
  policiesOf,
  taskVerdicts,
  wayInto,
  waysOut,
  wiredAlong,
  type Button,
  type Chord,
  type Clash,
  type DebounceSetting,
  type DisplayShown,
  type LightCodes,
  type Encoder,
  type Gadget,
  type Note,
  type GestureSetting,
  type Hands,
  type Knob,
  type Portrait,
  type SweepRow,
  type SweepWish,
  type TraceEntry,
  type SoundEffect,
  type Tune,
  printCardFolder,
  type OutputOf,
  type Sounder,
  type Trial,
  type TrialResult,
} from '@hum-lever/core';
import { expose } from 'comlink';
import { createStore, get, set } from 'idb-keyval';
import { remembering } from './keptReport.ts';

/** Samples a second of sound files, and how long after its last note one goes on. */
const [wavRate, fadeUs] = [48_000, 20_000];
/** Presses that one press on the Feel sheet is held against. */
const measured = 10_000;

/** Computations that may take longer than a frame. */
const sliceMs = 40;
/** A trial that takes longer here is stopped. */
const mostTrialMs = 20_000;
/** About 10 ms. */
const trialPiece = 1_500_000;
let trialAsked = 0;
/** What its time axis draws of a run, and so much of it: more is a blur, and more than the page can take in. */
const drawn: ReadonlySet<TraceEntry['lane']> = new Set<TraceEntry['lane']>([
  'state',
  'finger',
  'swallowed',
  'clean',
]);
const mostDrawn = 20_000;
export interface PlayedTrial {
  result: TrialResult;
  trace: TraceEntry[];
}
/** What can be seen in the states of a gadget. */
export interface StatesShown {
  codes: LightCodes;
  displays: DisplayShown[];
}
let statesAsked = 0;
/** Counts sweeps; one that is not the newest stops. */
let sweeping = 0;

export interface Sweep {
  gadget: Gadget;
  control: Button;
  wish: SweepWish;
}

const reports = createStore('hum-lever-reports', 'reports');

/** The address of this file goes with what is in it and in all that it takes from others; not while it is developed. */
const program = import.meta.env.PROD ? import.meta.url : String(performance.timeOrigin);

/** What sounds as a file of samples, to where the last of it has faded. @param mostUs no more than that */
const asWav = (
  { moments, lengthUs }: ReturnType<typeof tuneMoments>,
  mostUs = Infinity,
): Uint8Array<ArrayBuffer> =>
  printWav(renderMoments(moments, Math.min(mostUs, lengthUs + fadeUs), wavRate), wavRate);

const lab = {
  check: remembering(checkGadget, program, {
    get: (key) => get(key, reports),
    set: (key, value) => set(key, value, reports),
  }),
  /** Pictures of documents as they stand in files; null for one that cannot be opened. */
  portraits: (raws: unknown[]): (Portrait | null)[] =>
    raws.map((raw) => {
      const read = readGadget(raw);
      return read.outcome === 'opened' ? portraitOf(read.gadget) : null;
    }),
  /** A tune as its sounder plays it: a file of samples. */
  wav(sounder: Sounder, notes: readonly Note[]): Uint8Array<ArrayBuffer> {
    return asWav(tuneMoments(sounder, notes));
  },
  /** A tune on its grid, once through, as all sounders that play it would give it. */
  tuneWav(gadget: Gadget, tune: Tune, mostUs = Infinity): Uint8Array<ArrayBuffer> {
    return asWav(tuneSounding(gadget, tune), mostUs);
  },
  /** The folder of a player's card. */
  cardFolder: (output: OutputOf<'player'>): Uint8Array<ArrayBuffer> => printCardFolder(output),
  effectWav(gadget: Gadget, effect: SoundEffect): Uint8Array<ArrayBuffer> {
    return asWav(effectSounding(gadget, effect));
  },
  lay(gadget: Gadget) {
    const board = boardOf(gadget);
    return board && layWiring(gadget, board);
  },
  wiredAlong,
  waysOut(gadget: Gadget, clashes: Clash[], setName: string) {
    const board = boardOf(gadget);
    return board ? soundWays(gadget, waysOut(gadget, board, clashes, setName)) : [];
  },
  schemes: (gadget: Gadget, keys: string[], name: string) =>
    compareSchemes(gadget, boardOf(gadget), keys, name),
  boards: compareBoards,
  /**
   * Plays a trial, telling how far it has come; null where another was asked for meanwhile. One that takes too long is
   * stopped.
   */
  async trial(gadget: Gadget, trial: Trial, tell: (atUs: number) => void): Promise<PlayedTrial | null> {
    const mine = (trialAsked += 1);
    const run = new TrialRun(gadget, trial, drawn);
    const untilMs = performance.now() + mostTrialMs;
    let sinceMs = performance.now();
    while (!run.advance(trialPiece)) {
      const nowMs = performance.now();
      if (nowMs > untilMs) {
        run.stop('time');
        break;
      }
      if (nowMs - sinceMs < sliceMs) continue;
      tell(run.atUs);
      await new Promise((resolve) => setTimeout(resolve));
      if (trialAsked !== mine) return null;
      sinceMs = performance.now();
    }
    const { result, trace } = run.outcome;
    return { result, trace: trace.filter(({ lane }) => drawn.has(lane)).slice(0, mostDrawn) };
  },
  wayInto,
  taskVerdicts,
  /**
   * What lights and displays show in every state, telling how much of it is done; null where it was asked again, or
   * stopped, meanwhile.
   */
  async states(gadget: Gadget, tell: (share: number) => void): Promise<StatesShown | null> {
    const mine = (statesAsked += 1);
    const looked = new StatesLooked(gadget);
    let sinceMs = performance.now();
    while (!looked.advance()) {
      if (performance.now() - sinceMs < sliceMs) continue;
      tell(looked.share);
      await new Promise((resolve) => setTimeout(resolve));
      if (statesAsked !== mine) return null;
      sinceMs = performance.now();
    }
    return { codes: lightCodes(gadget, looked.found), displays: displaysShown(gadget, looked.found) };
  },
  stopStates(): void {
    statesAsked += 1;
  },
  menuAdvice,
  policiesOf,
  recordedTrial,
  stretchTrial,
  /** How settings do on the same presses of one button's own switch. */
  measure: (
    gadget: Pick<Gadget, 'hands' | 'captures'>,
    button: Button,
    settings: DebounceSetting[],
    periodUs: number,
  ) => measureOn(gadget, button, settings, periodUs, measured),
  recommend,
  speeds: (gadget: Gadget, encoder: Encoder) =>
    speedsOf(gadget.hands.quickTurnUs).map((turnUs) =>
      speedRow(encoder, encoderPart(gadget, encoder.id), gadget.loop.periodUs, turnUs),
    ),
  knob(gadget: Pick<Gadget, 'parts'>, knob: Knob) {
    const taper = taperOf(gadget, knob.id);
    return { facts: knobFacts(knob, taper), quiet: quietReading(knob, taper) };
  },
  taps: (gestures: GestureSetting, hands: Hands) => tryTaps(gestures, hands, triedSeed),
  together: (chord: Chord, hands: Hands) => tryTogether(chord, hands, triedSeed),
  /**
   * Sweeps, handing over rows as they come; stops soon after `cancel`. Returns whether it came to its end.
   * Between two slices the worker listens: to that, and to whoever else asks.
   */
  async sweep(plan: Sweep, hand: (rows: SweepRow[], total: number) => void): Promise<boolean> {
    const run = (sweeping += 1);
    const planned = planSweep(plan.gadget, plan.control, plan.wish);
    const total = planned.settings.length * planned.trains.length;
    let rows: SweepRow[] = [];
    let sinceMs = performance.now();
    for (const row of sweep(planned)) {
      rows.push(row);
      if (performance.now() - sinceMs < sliceMs) continue;
      hand(rows, total);
      rows = [];
      await new Promise((resolve) => setTimeout(resolve));
      if (sweeping !== run) return false;
      sinceMs = performance.now();
    }
    hand(rows, total);
    return true;
  },
  cancel(): void {
    sweeping += 1;
  },
};

export type Lab = typeof lab;
expose(lab);
