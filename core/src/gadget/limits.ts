/**
 * How large a document may grow. Each bound is far above what a handheld gadget needs and low enough that a
 * hostile document cannot exhaust memory or time: doubling any of them at most doubles the worst cost.
 */
export const limits = {
  nameChars: 80,
  textChars: 4_000,
  tasks: 100,
  controls: 64,
  outputs: 64,
  variables: 100,
  states: 200,
  rulesPerState: 100,
  actionsPerList: 40,
  expressionChars: 400,
  templateChars: 200,
  displayColumns: 80,
  displayRows: 8,
  /** One hour; longer waits belong to a real-time clock, which no gadget of this version has. */
  timeUs: 3_600_000_000,
  toneHz: 20_000,
  /** Whole document as UTF-8 JSON. */
  documentBytes: 1_048_576,
} as const;
