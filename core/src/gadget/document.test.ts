import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { gadgetArbitrary } from '../test/arbitraries.ts';
import { pressToLight, state } from '../test/fixtures.ts';
import { canonicalJson, currentVersion, emptyGadget, limits, openGadget, type Gadget } from './index.ts';

const faultsAt = (raw: unknown) => {
  const opened = openGadget(raw);
  return opened.outcome === 'invalid' ? opened.faults.map(({ path }) => path) : opened.outcome;
};
const changed = (change: (gadget: Gadget) => void) => {
  const gadget = structuredClone(pressToLight());
  change(gadget);
  return gadget;
};

describe('opening a document', () => {
  it('accepts an empty gadget and a working one, unchanged', () => {
    for (const gadget of [emptyGadget('Nothing yet'), pressToLight()])
      expect(openGadget(structuredClone(gadget))).toEqual({ outcome: 'opened', gadget, migratedFrom: null });
  });

  it('tells the kinds of refusal apart', () => {
    for (const raw of [null, 7, 'text', [], {}, { kind: 'something-else', version: 1 }])
      expect(openGadget(raw).outcome).toBe('unknown-kind');
    const newer = openGadget({ ...pressToLight(), version: currentVersion + 1 });
    expect(newer).toMatchObject({ outcome: 'too-new', version: currentVersion + 1 });
    expect('message' in newer && newer.message).toContain('newer Hum Lever');
    for (const version of [-1, 1.5, '1', null, NaN, undefined])
      expect(faultsAt({ ...pressToLight(), version })).toEqual(['version']);
  });

  it.each<[string, (gadget: Gadget) => void, string]>([
    [
      'a dangling target',
      (g) => void (g.flow.states[0]!.rules[0]!.targetIds = ['s9']),
      'flow.states.0.rules.0.targetIds.0',
    ],
    ['a dangling first state', (g) => void (g.flow.initialId = 's9'), 'flow.initialId'],
    ['states without a first one', (g) => void (g.flow.initialId = null), 'flow.initialId'],
    ['a trigger of no control', (g) => void (g.controls = []), 'flow.states.0.rules.0.trigger.controlId'],
    [
      'an output of the wrong kind',
      (g) => void Object.assign(g.flow.states[0]!.entry[0]!, { outputId: 'o3' }),
      'flow.states.0.entry.0.outputId',
    ],
    ['an id used twice', (g) => void g.flow.states.push(state('b1')), 'flow.states.2.id'],
    [
      'a variable name used twice',
      (g) => void g.flow.variables.push({ ...g.flow.variables[0]!, id: 'v2' }),
      'flow.variables.1.name',
    ],
    ['a function as a variable', (g) => void (g.flow.variables[0]!.name = 'random'), 'flow.variables.0.name'],
    [
      'a start value out of range',
      (g) => void Object.assign(g.flow.variables[0]!, { initial: 100 }),
      'flow.variables.0.initial',
    ],
    ['NaN', (g) => void (g.loop.periodUs = NaN), 'loop.periodUs'],
    ['infinity', (g) => void (g.loop.periodUs = Infinity), 'loop.periodUs'],
    [
      'a huge number',
      (g) => void Object.assign(g.flow.variables[0]!, { max: 1e300 }),
      'flow.variables.0.max',
    ],
    ['a fraction of a microsecond', (g) => void (g.loop.periodUs = 1000.5), 'loop.periodUs'],
    ['a control character in a name', (g) => void (g.name = 'a\u0000b'), 'name'],
    ['an empty name', (g) => void (g.name = ''), 'name'],
    ['an over-long name', (g) => void (g.name = 'n'.repeat(limits.nameChars + 1)), 'name'],
    [
      'too many states',
      (g) => void (g.flow.states = Array.from({ length: 401 }, (_, i) => state(`s${i + 1}`))),
      'flow.states',
    ],
    ['an unknown field', (g) => void Object.assign(g.loop, { evil: 1 }), 'loop'],
    [
      'a prototype in the parameters',
      (g) =>
        void ((g.controls[0] as Extract<Gadget['controls'][number], { kind: 'button' }>).debounce.params =
          JSON.parse('{"__proto__": {"x": 1}, "a_b": 2}')),
      'controls.0.debounce.params.a_b',
    ],
  ])('refuses %s and names the field', (_what, change, path) => {
    expect(faultsAt(changed(change))).toContain(path);
  });

  it('keeps a script in a name as plain text', () => {
    const name = '<script>alert(1)</script>';
    expect(openGadget({ ...pressToLight(), name })).toMatchObject({ outcome: 'opened', gadget: { name } });
  });

  it('lists at most fifty faults of a document that is wrong everywhere', () => {
    const bad = changed((g) => void (g.flow.variables = Array.from({ length: 99 }, () => ({}) as never)));
    expect(faultsAt(bad)).toHaveLength(50);
  });

  it('does not overflow on deep nesting', () => {
    let deep: unknown = 1;
    for (let i = 0; i < 20_000; i += 1) deep = [deep];
    expect(openGadget({ ...pressToLight(), brief: deep }).outcome).toBe('invalid');
  });
});

describe('migration', () => {
  const stored = (file: string) =>
    JSON.parse(readFileSync(join(__dirname, '../test/stored', file), 'utf8')) as Record<string, unknown>;
  /** As the pilot stored it: durations in milliseconds, with fractions. */
  const pilot = () => {
    const raw = stored('version-1.json');
    const inMs = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(inMs);
      if (typeof value !== 'object' || value === null) return value;
      return Object.fromEntries(
        Object.entries(value).map(([key, inner]) =>
          key.endsWith('Us')
            ? [`${key.slice(0, -2)}Ms`, inner === null ? null : Number(inner) / 1_000]
            : [key, inMs(inner)],
        ),
      );
    };
    return { ...(inMs(raw) as object), version: 0 };
  };

  it('turns the pilot version into the current one and leaves the raw input alone', () => {
    const raw = pilot();
    const before = JSON.stringify(raw);
    const opened = openGadget(raw);
    expect(opened).toMatchObject({ outcome: 'opened', migratedFrom: 0 });
    const later = openGadget(stored('version-1.json'));
    expect(opened.outcome === 'opened' && opened.gadget).toEqual(later.outcome === 'opened' && later.gadget);
    expect(JSON.stringify(raw)).toBe(before);
  });

  it('says which step failed', () => {
    const raw = { ...pilot(), loop: { periodMs: 'soon' } };
    expect(openGadget(raw)).toMatchObject({ outcome: 'migration-failed', step: 'WholeMicroseconds' });
  });
});

describe('canonical JSON', () => {
  it('does not depend on the order of keys', () => {
    const shuffle = (value: unknown): unknown =>
      typeof value !== 'object' || value === null
        ? value
        : Array.isArray(value)
          ? value.map(shuffle)
          : Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, inner]) => [key, shuffle(inner)]),
            );
    fc.assert(
      fc.property(gadgetArbitrary, (gadget) => {
        expect(canonicalJson(shuffle(gadget))).toBe(canonicalJson(gadget));
        expect(JSON.parse(canonicalJson(gadget))).toEqual(gadget);
      }),
      { seed: 1, numRuns: 50 },
    );
  });
});
