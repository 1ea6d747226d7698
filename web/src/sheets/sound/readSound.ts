/** What lies in a program is short; a table of a minute is some megabytes of text. */
const longestS = 60;
/** Browsers read for rates from here on; the standard asks them for 8,000 and more. */
const leastHz = 3_000;
/** A minute of the dearest usual kind of file, twice over. */
const mostBytes = 64 * 1_048_576;

/**
 * A sound file of any kind that the browser reads, its channels as one, at that many samples a second.
 * @throws Error where it is none, too long, or too large: says what was expected
 */
export async function readSound(file: File, rateHz: number): Promise<Float32Array> {
  const expected = `Expected a sound file of at most ${longestS} s`;
  if (file.size > mostBytes) throw new Error(`${expected}; “${file.name}” is larger than any of those.`);
  if (rateHz < leastHz)
    throw new Error(
      `Expected at least ${leastHz} samples a second; the pulses here carry ${Math.round(rateHz)}. Fewer bits carry more.`,
    );
  const data = await file.arrayBuffer();
  const reader = new OfflineAudioContext(1, 1, rateHz);
  const sound = await reader.decodeAudioData(data).catch(() => {
    throw new Error(`${expected}; “${file.name}” is none that this browser reads.`);
  });
  if (sound.duration > longestS)
    throw new Error(`${expected}; “${file.name}” lasts ${Math.round(sound.duration)} s.`);
  const channels = Array.from({ length: sound.numberOfChannels }, (_, n) => sound.getChannelData(n));
  return Float32Array.from(
    channels[0]!,
    (_, n) => channels.reduce((sum, values) => sum + values[n]!, 0) / channels.length,
  );
}
