import type { ActionKindOf, Length, OutputActionOf, OutputKind } from '../../gadget/index.ts';
import type { LineReader } from './reader.ts';

/** What can be told to a kind of output. */
export type TellOf<K extends OutputKind> = OutputActionOf<ActionKindOf<K>>;

/** How things are written in a line. */
export interface LineWriter {
  expression(text: string): string;
  /** In quotes, with expressions in braces. */
  template(text: string): string;
  /** In quotes, as it is. */
  plain(text: string): string;
  length(length: Length): string;
  variable(id: string): string;
  page(id: string): string;
  picture(id: string): string;
  effect(id: string): string;
  tune(id: string): string;
  /** Its number among those of its tune, from 1. */
  voice(id: string): number;
}

/** What is told to a kind of output as text, both ways: what stands behind the output's name. */
export interface OutputLine<K extends OutputKind> {
  readonly kind: K;
  /** By the word that it begins with, in the order in which they are offered: reads the rest. */
  readonly verbs: Readonly<Record<string, (line: LineReader, outputId: string) => TellOf<K>>>;
  show(action: TellOf<K>, write: LineWriter): string;
}

export const defineLine = <K extends OutputKind>(line: OutputLine<K>): OutputLine<K> => line;
