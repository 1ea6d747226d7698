import { followsClock, wholeGadget, type TraceEntry } from '@hum-lever/core';
import { create } from 'zustand';
import { useGadget } from '../../../client/index.ts';
import { onEntries, player, usePlayer } from '../../../workers/index.ts';

/*
 * The browser's own MIDI door: what stands on the table plays along. Opened only by its maker's hand; nothing here needs
 * it.
 */

export interface Port {
  id: string;
  name: string;
}

interface Door {
  /** null: it was not opened. */
  ports: { outputs: readonly Port[]; inputs: readonly Port[] } | null;
  /** Why it does not open; null: it does, or nobody has tried. */
  refused: string | null;
  /** Where outputs of the gadget also go, by their id. */
  leads: Readonly<Record<string, string>>;
  /** Where messages come in from; null: nowhere. */
  inputId: string | null;
}

export const useDoor = create<Door>(() => ({ ports: null, refused: null, leads: {}, inputId: null }));

export const hasDoor = (): boolean => 'requestMIDIAccess' in navigator;

let access: MIDIAccess | null = null;

const portsOf = (ports: Iterable<MIDIPort>): Port[] =>
  [...ports].map(({ id, name }) => ({ id, name: name ?? 'Unnamed port' }));

/** What there is now: equipment comes and goes while the door is open. */
function look(opened: MIDIAccess): void {
  const ports = { outputs: portsOf(opened.outputs.values()), inputs: portsOf(opened.inputs.values()) };
  const { leads, inputId } = useDoor.getState();
  const there = new Set(ports.outputs.map(({ id }) => id));
  useDoor.setState({
    ports,
    leads: Object.fromEntries(Object.entries(leads).filter(([, portId]) => there.has(portId))),
    inputId: ports.inputs.some(({ id }) => id === inputId) ? inputId : null,
  });
}

/** Asks the browser, which asks the maker. Call it in the handler of a click. */
export async function openDoor(): Promise<void> {
  try {
    access = await navigator.requestMIDIAccess();
    access.onstatechange = () => access && look(access);
    useDoor.setState({ refused: null });
    look(access);
  } catch (error) {
    useDoor.setState({
      refused: `Expected this browser to open its MIDI door; it said: ${error instanceof Error ? error.message : String(error)}`,
    });
  }
}

/** An output of the gadget goes there, too. @param portId null: nowhere but to the stand-in */
export function leadTo(outputId: string, portId: string | null): void {
  silence();
  const { [outputId]: _was, ...others } = useDoor.getState().leads;
  useDoor.setState({ leads: portId === null ? others : { ...others, [outputId]: portId } });
}

/** What plays there is heard by the gadget. @param portId null: nothing */
export function listenTo(portId: string | null): void {
  for (const port of access?.inputs.values() ?? []) port.onmidimessage = port.id === portId ? heard : null;
  useDoor.setState({ inputId: portId });
}

/** Signs of life, which come several times a second and say nothing; resets, which are not for this gadget. */
const saysNothing = 0xfe;
/** Clocks come dozens of times a second: only where something is done with them. */
const firstRealTime = 0xf8;
/** What is longer is no message that a rule could wait for. */
const mostBytes = 64;

function heard({ data, timeStamp }: MIDIMessageEvent): void {
  if (!data || data.length === 0 || data.length > mostBytes || data[0]! >= saysNothing) return;
  const { document } = useGadget.getState();
  if (data[0]! >= firstRealTime && !(document && followsClock(document))) return;
  player.touch(wholeGadget, { what: 'midi', bytes: [...data] }, timeStamp);
}

/** Everything sounds so much later than it comes about, as at the loudspeaker: so it can go out at its very time. */
const aheadMs = 20;

const outputPort = (portId: string): MIDIOutput | undefined => access?.outputs.get(portId);

function goOut(entries: readonly TraceEntry[], nowUs: number, speed: number, fresh: boolean): void {
  const { leads } = useDoor.getState();
  if (Object.keys(leads).length === 0) return;
  if (fresh || entries.some((entry) => entry.lane === 'power' && entry.event === 'cycle')) silence();
  if (speed === 0) return;
  const nowMs = performance.now();
  for (const entry of entries) {
    if (entry.lane !== 'midi') continue;
    const port = outputPort(leads[entry.id] ?? '');
    port?.send(entry.bytes, nowMs + (entry.atUs - nowUs) / 1_000 / speed + aheadMs);
  }
}

/** All sound off, and all notes, on every channel. Source: MIDI 1.0, channel mode messages. */
const endings = [120, 123] as const;

/** No note goes on where its end will never come: what waits is taken back, and all of it ends. */
function silence(): void {
  for (const portId of new Set(Object.values(useDoor.getState().leads))) {
    const port = outputPort(portId);
    // Not in every browser yet.
    (port as { clear?: () => void } | undefined)?.clear?.();
    for (let channel = 0; channel < 16; channel += 1)
      for (const ending of endings) port?.send([0xb0 | channel, ending, 0]);
  }
}

onEntries(goOut);
usePlayer.subscribe((now, was) => {
  const stops = (was.running && !now.running) || (was.pastUs === null && now.pastUs !== null);
  if (stops) silence();
});
addEventListener('pagehide', silence);
