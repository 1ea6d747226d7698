import { type gadgetVersions } from './versions.ts';

/* Migrations work on raw JSON and know no current type: a type that moves on must not change the past. */
type Raw = Record<string, unknown>;
const isRecord = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The pilot wrote durations as milliseconds, with fractions, under names ending in `Ms`. */
function toWholeMicroseconds(document: Raw): Raw {
  const convert = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(convert);
    if (!isRecord(value)) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => {
        const named = /^(.*[a-z])Ms$/.exec(key);
        if (!named) return [key, convert(inner)];
        if (typeof inner !== 'number' && inner !== null)
          throw new Error(`expected ${key} to be a number of milliseconds`);
        return [`${named[1]}Us`, inner === null ? null : Math.round(inner * 1_000)];
      }),
    );
  };
  return convert(document) as Raw;
}

/** Before parts had a list of their own, each control and output stood for the one thing that it was made of. */
function toPartsAndWiring(document: Raw): Raw {
  const list = (value: unknown): Raw[] => {
    if (!Array.isArray(value) || !value.every(isRecord))
      throw new Error('expected lists of controls, outputs and tasks');
    return value;
  };
  const classes: Raw = { button: 'push-button', light: 'light', text: 'character-display', tone: 'piezo' };
  const brief = isRecord(document.brief) ? document.brief : {};
  const parts = [...list(document.controls), ...list(document.outputs)].map((end, index) => ({
    id: `p${index + 1}`,
    kind: classes[String(end.kind)],
    name: end.name,
    figures: {},
    priceCents: null,
    quantity: 1,
    have: 0,
    plays: [end.id],
  }));
  return {
    ...document,
    brief: {
      ...brief,
      picture: null,
      words: [],
      tasks: list(brief.tasks).map((task) => ({ ...task, doneWhen: null, circumstances: [] })),
      wishes: {
        priceCents: null,
        runtimeHours: null,
        latencyUs: null,
        weightG: null,
        widthMm: null,
        heightMm: null,
        depthMm: null,
        caseMaterial: null,
      },
    },
    bill: { currency: 'EUR' },
    parts,
    wiring: { boardId: null, boards: [], radioOn: false, sets: [], wires: [], companions: [] },
  };
}

/** `steps[n]` leads from version n to n + 1. */
export const migrationSteps: readonly { name: keyof typeof gadgetVersions; step: (document: Raw) => Raw }[] =
  [
    { name: 'WholeMicroseconds', step: toWholeMicroseconds },
    { name: 'PartsAndWiring', step: toPartsAndWiring },
  ];
