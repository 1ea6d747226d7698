/**
 * How large a document may grow. Each bound is far above what a handheld gadget needs and low enough that a
 * hostile document cannot exhaust memory or time: doubling any of them at most doubles the worst cost.
 */
export const limits = {
  nameChars: 80,
  textChars: 4_000,
  /** One sentence: a specification, a reason. */
  sentenceChars: 240,
  words: 200,
  linksPerWord: 20,
  tasks: 100,
  controls: 64,
  outputs: 64,
  parts: 128,
  partQuantity: 999,
  /** A million in the smallest unit of the currency times a hundred. */
  priceCents: 100_000_000,
  keySets: 8,
  chords: 40,
  codes: 100,
  captures: 6,
  capturePresses: 100,
  captureEdges: 81,
  wires: 600,
  companions: 300,
  ownBoards: 8,
  /** Lines of a part of the maker's own, what it is in hand, and addresses that it can be set to. */
  ownLines: 40,
  ownEnds: 8,
  ownAddresses: 112,
  /** Kept in the drawer of the server. */
  drawer: 500,
  boardPins: 128,
  pinTokens: 40,
  variables: 100,
  unitChars: 12,
  options: 32,
  /** Texts in a row. */
  listLength: 64,
  /** Numbers in a row, or in rows: eight notes of each of 88 keys are 704. */
  cells: 1_024,
  /** Numbers beside each other in one row of them. */
  columns: 16,
  /** Of a short text that changes while it runs: a name, a line that is typed. */
  textLength: 64,
  signals: 100,
  timers: 40,
  layers: 16,
  ignored: 2_000,
  regions: 8,
  nesting: 12,
  /** A minute of a quick melody. */
  tuneNotes: 512,
  tunes: 32,
  /** Of a tune, each section once: 64 bars of sixteen. */
  tuneSteps: 1_024,
  voices: 8,
  sections: 16,
  sectionTimes: 16,
  effects: 32,
  neighbours: 16,
  effectUs: 5_000_000,
  /** Notes that take turns with one. */
  arpeggio: 7,
  /** Of a card that a player plays. */
  files: 99,
  /** Of one system exclusive message, between its ends. */
  exclusiveBytes: 64,
  /** Beats a minute: a breath, and a buzz. */
  leastTempo: 10,
  mostTempo: 600,
  /** Steps of an equal temperament. */
  leastPerOctave: 5,
  mostPerOctave: 53,
  states: 400,
  rulesPerState: 100,
  /** One thing after another in one turn: beyond this, a state of its own can be read. */
  actionsPerList: 100,
  expressionChars: 400,
  templateChars: 200,
  pages: 60,
  /** What stands on a page of a display; its order is the order in which it is drawn. */
  elementsPerPage: 100,
  menus: 16,
  /** Of all levels together. */
  menuItems: 240,
  /** Side by side in one list: their names are one list of texts. */
  itemsPerLevel: 60,
  pictures: 64,
  pictureFrames: 32,
  /** All frames of all pictures: a letter a pixel in the document. */
  pictureTotalPx: 262_144,
  /** Of the gadget's own. */
  fonts: 16,
  fontGlyphs: 512,
  /** A row of it goes into a word of 32 bits. */
  fontWidePx: 32,
  fontHighPx: 64,
  /** All characters of all fonts: a letter a pixel in the document. */
  fontTotalPx: 262_144,
  displayPx: 512,
  displayColumns: 80,
  displayRows: 8,
  /** One hour: contacts, debouncing and the like. */
  timeUs: 3_600_000_000,
  /** 24 days: a rule, a timer or a signal may wait so long; milliseconds of it fit in 32 bits with a sign. */
  lengthUs: 2_073_600_000_000,
  toneHz: 20_000,
  /** Whole document as UTF-8 JSON. */
  documentBytes: 1_048_576,
  /** A picture of the drawing, as the file that it came in. */
  pictureBytes: 5_242_880,
} as const;
