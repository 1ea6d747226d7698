/** So much of what was sent or typed stays to be looked at. */
const sentLines = 8;

/** What was sent or typed last, latest last. */
export interface Sent<K> {
  kind: K;
  lines: readonly string[];
}

export const withLine = <K>(was: Sent<K>, line: string): Sent<K> => ({
  ...was,
  lines: [...was.lines, line].slice(-sentLines),
});

/** What is out cannot be taken back: nothing is told of it when the power goes, and an edit leaves it. */
export const sentIsOut = {
  powerOff: () => undefined,
  adopt: <S>(was: S): S => was,
  later: <S>(was: S): S => was,
  loads: () => false,
  lit: null,
  look: ({ lines }: { lines: readonly string[] }): unknown => lines.at(-1) ?? null,
};
