/** Every change of the document's shape gets a name; the number is derived from the list, never typed twice. */
export const gadgetVersions = {
  MillisecondPilot: 0,
  WholeMicroseconds: 1,
  PartsAndWiring: 2,
  FeltControls: 3,
  NestedFlow: 4,
  ReadableTexts: 5,
  Marks: 6,
  ListRows: 7,
  Pages: 8,
  Menus: 9,
  Pictures: 10,
  Inks: 11,
  Glow: 12,
  Groups: 13,
  Wires: 14,
  KeyMaps: 15,
  Tunes: 16,
  Passing: 17,
  Samples: 18,
} as const;

/** The version this program writes. */
export const currentVersion = Math.max(...Object.values(gadgetVersions));
