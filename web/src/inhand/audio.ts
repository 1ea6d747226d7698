import { create } from 'zustand';
import { player } from '../workers/index.ts';
import workletUrl from './speaker.worklet.ts?worker&url';
import type { SpeakerCommand, SpeakerReport } from './speaker.ts';

const mutedKey = 'hum-lever.muted';

interface Sound {
  /** Whether the maker wants silence. A habit of the person, not of the gadget. */
  muted: boolean;
  /** What the loudspeaker said last; null: it has not sounded yet. */
  heard: Omit<SpeakerReport, 'sounding'> | null;
  /** Why nothing can sound here; null: it can. */
  refused: string | null;
}

export const useSound = create<Sound>(() => ({
  muted: localStorage.getItem(mutedKey) === '1',
  heard: null,
  refused: null,
}));

let context: AudioContext | null = null;
let node: AudioWorkletNode | null = null;
const tell = (command: SpeakerCommand, carry: Transferable[] = []) => node?.port.postMessage(command, carry);

/**
 * Opens the way to the loudspeaker, silent until `unlockSound`. Opening blocks the page, for long where the machine's
 * sound has to be started first: done at the first press, it would make a hold of it.
 */
export function prepareSound(): void {
  if (context) return;
  context = new AudioContext({ latencyHint: 'interactive' });
  void join(context).catch((error: Error) => useSound.setState({ refused: error.message }));
}

/** The machine's worker and the loudspeaker's thread are joined: the page only listens. */
async function join(opened: AudioContext): Promise<void> {
  // Pages that come from another machine without encryption have no such thread.
  if (!('audioWorklet' in opened))
    throw new Error('this browser sounds only on pages of this machine, or over https');
  await opened.audioWorklet.addModule(workletUrl);
  node = new AudioWorkletNode(opened, 'speaker', { numberOfInputs: 0, outputChannelCount: [1] });
  node.connect(opened.destination);
  node.port.onmessage = ({ data: { sounding: _sounding, ...heard } }: MessageEvent<SpeakerReport>) =>
    useSound.setState({ heard });
  const { port1, port2 } = new MessageChannel();
  tell({ from: port1 }, [port1]);
  tell({ muted: useSound.getState().muted });
  player.soundTo(port2);
}

/** Sound is allowed from the first gesture on; call this in its handler. */
export function unlockSound(): void {
  prepareSound();
  if (context!.state !== 'running') void context!.resume();
}

export function setMuted(muted: boolean): void {
  localStorage.setItem(mutedKey, muted ? '1' : '0');
  useSound.setState({ muted });
  tell({ muted });
}
