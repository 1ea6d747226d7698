import {
  messageBytes,
  sensingByte,
  syncByte,
  throughFault,
  wholeGadget,
  type WireFault,
} from '@hum-lever/core';
import { create } from 'zustand';
import { onEntries, player, usePlayer, virtualNowUs } from '../../../workers/index.ts';

/*
 * What stands in for equipment that sends to the gadget: a keyboard, and something that gives the clock, through a cable
 * with whatever may be wrong with it. It ships with the product; nothing outside is needed.
 */

interface Source {
  channel: number;
  velocity: number;
  /** Of the lowest key: 60 is C4. */
  lowest: number;
  /** The keyboard says again and again that it is there. */
  sensing: boolean;
  bpm: number;
  ticking: boolean;
  fault: WireFault;
}

export const useSource = create<Source>(() => ({
  channel: 1,
  velocity: 100,
  lowest: 48,
  sensing: false,
  bpm: 120,
  ticking: false,
  fault: 'none',
}));

/** Notes that are down, with the channel that they began on: so they end as they began, whatever is chosen since. */
const down = new Map<number, number>();
/** How many messages of each kind came before: a fault hits some of them. */
const sent = new Map<number, number>();

function through(bytes: readonly number[]): number[] {
  const kind = bytes[0]! >> 4;
  const number = sent.get(kind) ?? 0;
  sent.set(kind, number + 1);
  return throughFault(bytes, useSource.getState().fault, number);
}

function send(bytes: readonly number[], stampMs?: number): void {
  const come = through(bytes);
  if (come.length > 0) player.touch(wholeGadget, { what: 'midi', bytes: come }, stampMs);
}

export function keyDown(note: number, stampMs: number): void {
  if (down.has(note)) return;
  const { channel, velocity } = useSource.getState();
  down.set(note, channel);
  send(messageBytes('noteOn', channel, note, velocity), stampMs);
}
export function keyUp(note: number, stampMs: number): void {
  const channel = down.get(note);
  if (channel === undefined) return;
  down.delete(note);
  send(messageBytes('noteOff', channel, note, 64), stampMs);
}

/** Ticks of a clock in a quarter note. Source: MIDI 1.0, timing clock. */
const ticksPerBeat = 24;
/**
 * Ticks are planned so far ahead, so that each comes at its very moment however busy the page is; as much farther as
 * time goes faster.
 */
const aheadUs = (): number => 400_000 * Math.max(1, usePlayer.getState().factor);
const everyMs = 100;

/** Since when ticks come at one tempo, in virtual time, and how many of them were planned; null: they begin. */
let begun: { atUs: number; bpm: number; ticks: number } | null = null;
let timer: ReturnType<typeof setInterval> | undefined;

const tickAt = ({ atUs, bpm }: NonNullable<typeof begun>, ticks: number): number =>
  atUs + Math.round((ticks * 60_000_000) / (bpm * ticksPerBeat));

interface Planned {
  atUs: number;
  byte: number;
}

/** Time goes on in the gadget, and it is the present that is looked at. */
function goesOn(): boolean {
  const { running, pastUs } = usePlayer.getState();
  return running && pastUs === null;
}

/** Bytes of one message each, at their moments, as far as they come through. */
function plan(messages: readonly Planned[]): void {
  if (!goesOn()) return;
  const moves = messages.flatMap(({ atUs, byte }) => {
    const bytes = through([byte]);
    const touch = { what: 'midi', bytes } as const;
    return bytes.length > 0 ? [{ atUs: Math.round(atUs), controlId: wholeGadget, touch }] : [];
  });
  if (moves.length > 0) player.planAt(moves);
}

function planTicks(): void {
  if (!goesOn()) return;
  const nowUs = virtualNowUs();
  const ahead = aheadUs();
  const messages: Planned[] = [];
  const nextUs = begun && tickAt(begun, begun.ticks);
  // Where time stood still, or is another, it starts anew.
  if (!begun || nextUs! < nowUs || nextUs! > nowUs + 2 * ahead) {
    begun = { atUs: nowUs + ahead / 4, bpm: useSource.getState().bpm, ticks: 0 };
    messages.push({ atUs: begun.atUs, byte: syncByte('start') });
  }
  // At the highest tempo 240 ticks come in a second: no more than 100 at once at usual speed, 800 at the fastest.
  for (let atUs = tickAt(begun, begun.ticks); atUs < nowUs + ahead; atUs = tickAt(begun, begun.ticks)) {
    messages.push({ atUs, byte: syncByte('clock') });
    begun.ticks += 1;
  }
  plan(messages);
}

export function startTicking(): void {
  useSource.setState({ ticking: true });
  begun = null;
  clearInterval(timer);
  timer = setInterval(planTicks, everyMs);
  planTicks();
}
export function stopTicking(): void {
  if (!useSource.getState().ticking) return;
  useSource.setState({ ticking: false });
  clearInterval(timer);
  // Behind the last that was planned.
  plan([{ atUs: begun ? tickAt(begun, begun.ticks) : virtualNowUs(), byte: syncByte('stop') }]);
}
/** Another tempo goes on from the next tick. */
export function setTempo(bpm: number): void {
  useSource.setState({ bpm });
  if (begun) begun = { atUs: tickAt(begun, begun.ticks), bpm, ticks: 0 };
}

/** A keyboard that says so says it so often. Source: MIDI 1.0, active sensing: at least every 300 ms. */
const sensingUs = 270_000;
/** When it says so next; null: at once. */
let nextSensingUs: number | null = null;
let sensingTimer: ReturnType<typeof setInterval> | undefined;

function planSensing(): void {
  if (!goesOn()) return;
  const nowUs = virtualNowUs();
  const ahead = aheadUs();
  // Where time stood still, or is another, it begins anew.
  let atUs = nextSensingUs ?? nowUs;
  if (atUs < nowUs || atUs > nowUs + 2 * ahead) atUs = nowUs;
  const messages: Planned[] = [];
  // At most two at usual speed, a dozen at the fastest.
  for (; atUs < nowUs + ahead; atUs += sensingUs) messages.push({ atUs, byte: sensingByte });
  nextSensingUs = atUs;
  plan(messages);
}

export function setSensing(sensing: boolean): void {
  useSource.setState({ sensing });
  nextSensingUs = null;
  clearInterval(sensingTimer);
  if (!sensing) return;
  sensingTimer = setInterval(planSensing, everyMs);
  planSensing();
}

/** Whoever leaves takes the hands off. */
export function leaveSource(): void {
  setSensing(false);
  for (const note of [...down.keys()]) keyUp(note, performance.now());
  stopTicking();
}

// Power-up forgets what was planned.
onEntries((_entries, _nowUs, _speed, fresh) => {
  if (!fresh) return;
  begun = null;
  nextSensingUs = null;
});
