import { canonicalJson, flashingCentiHz, type Gadget, type Output, type Paint } from '../gadget/index.ts';
import { blinksOf, nameOf, restingPicture } from '../lights/index.ts';
import { looksOf, type OutputState } from '../machine/index.ts';
import { nameOfSettled, unseenIn, type Settled } from './settled.ts';

/** What one light, or several in a row, tells in a state: how it is lit, and in which colours. */
export interface Code {
  /** The same for the same pattern, whatever its colour; dark ones have none. */
  pattern: LightPattern;
  /** Of each light that is lit, in their order. */
  colours: readonly Paint[];
}

export type LightPattern =
  | { kind: 'dark' }
  | { kind: 'steady'; percent: number | null }
  | { kind: 'blink'; periodUs: number }
  | { kind: 'pattern'; steps: string; stepUs: number };

/** A state, or several that are active together. */
export interface Meaning {
  name: string;
  stateIds: readonly string[];
}

/** A code with all that it can mean. */
export interface LightCode extends Code {
  means: readonly Meaning[];
  /** How long one has to look until all of it was there, µs. */
  readUs: number;
  /** How often it goes from dark to lit, hundredths of a hertz; 0: it does not. */
  centiHz: number;
}

export interface CodedLight {
  outputId: string;
  codes: readonly LightCode[];
}

type LitOutput = Extract<Output, { kind: 'light' | 'lights' }>;
const isLight = (output: Output): output is LitOutput => output.kind === 'light' || output.kind === 'lights';

/** What it tells; of several in a row the first that blinks says how. */
export function codeOf(output: LitOutput, shown: OutputState): Code {
  if (shown.kind === 'lights') {
    const colours = restingPicture(shown).flatMap((colour) => (colour === 0 ? [] : [nameOf(colour)]));
    const blink = shown.going.find((one) => one.what === 'blink');
    if (colours.length === 0) return { pattern: { kind: 'dark' }, colours };
    return {
      pattern: blink ? { kind: 'blink', periodUs: blink.periodUs } : { kind: 'steady', percent: null },
      colours,
    };
  }
  if (shown.kind !== 'light') return { pattern: { kind: 'dark' }, colours: [] };
  const { light } = shown;
  const colours = [shown.colour ?? (output.kind === 'light' ? output.colour : 'white')];
  switch (light.mode) {
    case 'off':
      return { pattern: { kind: 'dark' }, colours: [] };
    case 'on':
      return { pattern: { kind: 'steady', percent: 100 }, colours };
    case 'level':
    case 'fade':
      return light.levelPercent === 0
        ? { pattern: { kind: 'dark' }, colours: [] }
        : { pattern: { kind: 'steady', percent: light.levelPercent }, colours };
    case 'blink':
      return { pattern: { kind: 'blink', periodUs: light.periodUs }, colours };
    case 'pattern':
      return { pattern: { kind: 'pattern', steps: light.steps, stepUs: light.stepUs }, colours };
  }
}

/** All of it was there once: a period, a run of the pattern. */
function readUs(pattern: LightPattern): number {
  if (pattern.kind === 'blink') return pattern.periodUs;
  return pattern.kind === 'pattern' ? pattern.steps.length * pattern.stepUs : 0;
}

/** As often as what tells it says of itself. */
function centiHz(pattern: LightPattern): number {
  if (pattern.kind !== 'blink' && pattern.kind !== 'pattern') return 0;
  const light =
    pattern.kind === 'blink'
      ? ({ mode: 'blink', periodUs: pattern.periodUs } as const)
      : ({ mode: 'pattern', steps: pattern.steps, stepUs: pattern.stepUs } as const);
  return flashingCentiHz({ kind: 'light', outputId: '', light });
}

/** Of each state by its id: its name, and the places in `settled` where it was active. */
type Within = ReadonlyMap<string, { name: string; at: number[] }>;
function withinOf(settled: readonly Settled[]): Within {
  const within = new Map<string, { name: string; at: number[] }>();
  settled.forEach(({ states }, n) => {
    for (const { id, name } of states) {
      const known = within.get(id) ?? { name, at: [] };
      known.at.push(n);
      within.set(id, known);
    }
  });
  return within;
}

/**
 * What a code means, in as few states as say it: those in which it is always told, as long as they explain every time
 * that it was; otherwise all that were active together, each time.
 * @param told places in `settled` where it was told
 */
function meaningOf(settled: readonly Settled[], within: Within, told: ReadonlySet<number>): Meaning[] {
  const always = [...within]
    .filter(([, { at }]) => at.every((n) => told.has(n)))
    .sort(([, one], [, other]) => other.at.length - one.at.length);
  const open = new Set(told);
  const means = always.flatMap(([id, { name, at }]) => {
    if (!at.some((n) => open.has(n))) return [];
    for (const n of at) open.delete(n);
    return [{ name, stateIds: [id] }];
  });
  if (open.size === 0) return means;
  return [...told].map((n) => ({
    name: nameOfSettled(settled[n]!),
    stateIds: settled[n]!.states.map(({ id }) => id),
  }));
}

/** What every light tells, and in which states: as far as states were found. */
function lightCodesIn(gadget: Gadget, settled: readonly Settled[]): CodedLight[] {
  const within = withinOf(settled);
  return gadget.outputs.filter(isLight).map((output) => {
    const codes = new Map<string, { code: Code; at: number[] }>();
    settled.forEach(({ outputs }, n) => {
      const code = codeOf(output, outputs[output.id]!);
      const known = codes.get(JSON.stringify(code)) ?? { code, at: [] };
      known.at.push(n);
      codes.set(JSON.stringify(code), known);
    });
    return {
      outputId: output.id,
      codes: [...codes.values()].map(({ code, at }) => ({
        ...code,
        means: meaningOf(settled, within, new Set(at)),
        readUs: readUs(code.pattern),
        centiHz: centiHz(code.pattern),
      })),
    };
  });
}

/**
 * States that nothing tells apart, neither lights nor anything else that can be seen or heard: each time by the names
 * that differ. What is seen in passing only may look another way a moment later, and is left out.
 */
function alikeIn(settled: readonly Settled[]): string[][] {
  const byLook = new Map<string, Settled[]>();
  for (const one of settled) {
    const look = canonicalJson(looksOf(one.outputs));
    if (one.stays) byLook.set(look, [...(byLook.get(look) ?? []), one]);
  }
  const groups = [...byLook.values()].flatMap((alike) => {
    if (alike.length < 2) return [];
    const isShared = (id: string) => alike.every(({ states }) => states.some((state) => state.id === id));
    const names = alike.map(({ states }) =>
      states.flatMap(({ id, name }) => (isShared(id) ? [] : [name])).join(' with '),
    );
    return [names];
  });
  // Told once, whatever else was active meanwhile.
  return [...new Map(groups.map((names) => [JSON.stringify(names), names])).values()];
}

/** What all lights of a gadget tell. */
export interface LightCodes {
  lights: readonly CodedLight[];
  /** Names of states that nothing at all tells apart, group by group. */
  alike: readonly (readonly string[])[];
  /** Innermost states of which it was not found out: no way was found there, or they last no moment. */
  missing: readonly Meaning[];
}

/**
 * What every light of a gadget tells, and in which states; menus are played, and not listed.
 * @param found what can be seen in its states
 */
export function lightCodes(gadget: Gadget, found: readonly Settled[]): LightCodes {
  const own = new Set(gadget.flow.states.map(({ id }) => id));
  const settled = found.filter(({ states }) => states.every(({ id }) => own.has(id)));
  // A state that a menu is in is seen in all of its places.
  const missing = unseenIn(gadget.flow.states, found).filter(({ kind }) => kind === 'plain');
  return {
    lights: lightCodesIn(gadget, settled),
    alike: alikeIn(settled),
    missing: missing.map(({ id, name }) => ({ name, stateIds: [id] })),
  };
}

/** All that can be seen and heard in a state, lights without their colours. */
export function colourless(gadget: Gadget, outputs: Settled['outputs']): string {
  const looks = looksOf(outputs);
  const grey = gadget.outputs.filter(isLight).map((output): [string, unknown] => {
    const shown = outputs[output.id]!;
    if (shown.kind === 'lights')
      return [output.id, [restingPicture(shown).map((colour) => (colour === 0 ? 0 : 1)), blinksOf(shown)]];
    return [output.id, shown.kind === 'light' ? shown.light : null];
  });
  return canonicalJson({ ...looks, ...Object.fromEntries(grey) });
}
