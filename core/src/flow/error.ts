/** What was expected, and where in the text. */
export class ExpressionError extends Error {
  /** First character that is wrong, counted from 0; null where no single one is. */
  readonly index: number | null;
  /** What could stand there instead. */
  readonly suggestion: string | null;
  constructor(message: string, index: number | null = null, suggestion: string | null = null) {
    super(message);
    this.index = index;
    this.suggestion = suggestion;
  }
}
