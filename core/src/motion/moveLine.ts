import { defineLine } from '../flow/line/outputLine.ts';

/** What is told a value: the same words for whatever moves. */
export const moveLine = <K extends 'servo' | 'motor'>(kind: K) =>
  defineLine<'servo' | 'motor'>({
    kind,
    verbs: { move: (line, outputId) => ({ kind: 'move', outputId, to: line.expression() }) },
    show: ({ to }, write) => `move ${write.expression(to)}`,
  });
