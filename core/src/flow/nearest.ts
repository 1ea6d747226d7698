/** Letters to put in, take out, change or swap with their neighbour to get from one word to the other (Damerau). */
function distance(a: string, b: string): number {
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1];
      let least = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, before[j - 2]! + 1);
      row.push(least);
    }
    before = last;
    last = row;
  }
  return last[b.length]!;
}

/** The word that was probably meant: the nearest, up to a third of its letters away; null where none is near. */
export function nearest(word: string, known: readonly string[]): string | null {
  let best: string | null = null;
  let least = Math.max(1, Math.floor(word.length / 3)) + 1;
  for (const candidate of known) {
    if (Math.abs(candidate.length - word.length) >= least) continue;
    const away = distance(word.toLowerCase(), candidate.toLowerCase());
    if (away < least) {
      least = away;
      best = candidate;
    }
  }
  return best;
}
