/** Samples of one channel, 16 bits each, as a file. Source: RIFF WAVE, format 1 (PCM). */
export function printWav(samples: Float32Array, sampleRate: number): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(44 + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const word = (at: number, text: string) =>
    [...text].forEach((letter, n) => view.setUint8(at + n, letter.charCodeAt(0)));
  word(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  word(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, 2 * sampleRate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  word(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  for (const [n, sample] of samples.entries())
    view.setInt16(44 + 2 * n, Math.round(Math.max(-1, Math.min(1, sample)) * 32_767), true);
  return bytes;
}
