/** Speeds that receivers are commonly set to. */
export const usualBauds = [1_200, 2_400, 4_800, 9_600, 19_200, 38_400, 57_600, 115_200] as const;

/**
 * What a receiver makes of a text that was sent at another speed: bits are read where others stand. Each character is
 * sampled as the receiver's clock falls on the sender's bits, from the start bit on.
 */
export function readAt(text: string, sentBaud: number, readBaud: number): string {
  if (sentBaud === readBaud) return text;
  // The line as the sender drives it: start 0, eight bits with the lowest first, stop 1.
  const line = [...text].flatMap((character) => {
    const code = character.charCodeAt(0) & 255;
    return [0, ...Array.from({ length: 8 }, (_, bit) => (code >> bit) & 1), 1];
  });
  const level = (at: number) => line[Math.floor(at)] ?? 1;
  const step = sentBaud / readBaud;
  let read = '';
  for (let at = 0; at < line.length;) {
    if (level(at) === 1) {
      at += Math.min(step, 1) / 4;
      continue;
    }
    let code = 0;
    for (let bit = 0; bit < 8; bit += 1) code |= level(at + step * (bit + 1.5)) << bit;
    read += code >= 32 && code < 127 ? String.fromCharCode(code) : '\u00b7';
    at += step * 9.5;
  }
  return read;
}

/** A text that lost a byte on its way, from its middle. */
export function withoutByte(text: string): string {
  const characters = [...text];
  characters.splice(characters.length >> 1, 1);
  return characters.join('');
}
