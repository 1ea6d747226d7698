import { useCallback, useEffect, useRef, useState } from 'react';

/** What is longer is not listened to here, nor kept as a file: ten megabytes. */
export const longestWavUs = 120_000_000;

/** Opened at the first hearing: a page may have only so many. */
let context: AudioContext | null = null;

/**
 * Plays something by itself, once through.
 * @param of what it is: of another nothing goes on
 * @param make its samples, as a WAV file
 */
export function useHearing(of: object, make: () => Promise<Uint8Array<ArrayBuffer>>) {
  const playing = useRef<{ source: AudioBufferSourceNode; fromSeconds: number } | null>(null);
  const [sounding, setSounding] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  /** Counts what was asked for: only the last is played. */
  const asked = useRef(0);
  const stop = useCallback(() => {
    asked.current += 1;
    playing.current?.source.stop();
    playing.current = null;
    setSounding(false);
  }, []);
  useEffect(() => stop, [of, stop]);
  const begin = async () => {
    stop();
    const mine = asked.current;
    setRefused(null);
    setSounding(true);
    context ??= new AudioContext();
    const [wav] = await Promise.all([make(), context.resume()]);
    const buffer = await context.decodeAudioData(wav.buffer);
    if (mine !== asked.current) return;
    const source = new AudioBufferSourceNode(context, { buffer });
    source.connect(context.destination);
    source.onended = () => mine === asked.current && stop();
    source.start();
    playing.current = { source, fromSeconds: context.currentTime };
  };
  const hear = () =>
    void begin().catch((error: Error) => {
      stop();
      setRefused(`Expected this browser to play it; it said: ${error.message}`);
    });
  /** How far it is, µs; null: it does not sound. */
  const nowUs = () =>
    playing.current && context ? (context.currentTime - playing.current.fromSeconds) * 1_000_000 : null;
  return { sounding, hear, stop, nowUs, refused };
}
