import * as fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fieldList, kindsTold, type Gadget, type Output, type OutputActionKind } from '../gadget/index.ts';
import type { OutputOrder } from '../flow/index.ts';
import { actionOf, gadgetArbitrary } from '../test/arbitraries.ts';
import { frozen } from '../test/fixtures.ts';
import { compileOutputs, darkOutput, type AnyStage, type OutputState } from './outputKinds.ts';
import { outputList } from './outputRegistry.ts';

/*
 * What every kind of output must keep to, whatever it is: nothing is written to, the same gives the same, state and
 * plans survive JSON, what changes is told, and off is off.
 */

const kinds = outputList.map(({ kind }) => kind);
const orders = (Object.keys(actionOf) as string[]).filter(
  (kind) => kindsTold(kind).length > 0,
) as OutputActionKind[];

/** An order as the flow works it out, of what any action may say. */
const orderArbitrary = (kind: OutputActionKind): fc.Arbitrary<OutputOrder> =>
  fc
    .tuple(
      actionOf[kind] as fc.Arbitrary<Record<string, unknown>>,
      fc.array(fc.oneof(fc.integer({ min: -300, max: 500 }), fc.integer({ min: 0, max: 3 })), {
        minLength: 4,
        maxLength: 4,
      }),
      fc.string({ maxLength: 30 }),
    )
    .map(([said, numbers, text]) => {
      const order: Record<string, unknown> = { kind };
      fieldList(kind).forEach(([name, { role }], n) => {
        if (role === 'constant') order[name] = said[name];
        else if (role === 'list') order.places = numbers;
        else if (role === 'rows')
          order.rows = { columns: 2, cells: numbers.map((cell) => (cell + 300) % 150) };
        else if (role === 'length') order[name] = Math.abs(numbers[n % 4]!) * 1_000;
        else order[name] = role === 'expression' ? numbers[n % 4] : text;
      });
      return order as unknown as OutputOrder;
    });

/** Orders that one kind knows, each at a time of its own, in µs since the one before. */
const courseArbitrary = (kind: (typeof kinds)[number]) =>
  fc.array(
    fc.tuple(
      fc.oneof(...orders.filter((one) => kindsTold(one).includes(kind)).map(orderArbitrary)),
      fc.integer({ min: 0, max: 400_000 }),
    ),
    { minLength: 1, maxLength: 12 },
  );

interface Run {
  state: OutputState;
  nowUs: number;
  entries: object[];
  plans: { atUs: number; what: unknown }[];
}

const drawn = fc.sample(gadgetArbitrary, { numRuns: 1, seed: 1 })[0]!;
const whole: Gadget = {
  ...drawn,
  outputs: [
    ...drawn.outputs.map((one) =>
      one.kind === 'text' ? { ...one, dims: { afterUs: 1_500_000, percent: 30 } } : one,
    ),
    { id: 'o90', kind: 'motor', name: 'Buzz' },
  ],
};
const ofKind = (kind: string): Output => whole.outputs.find((one) => one.kind === kind)!;

describe.each(kinds)('an output of kind %s', (kind) => {
  const output = ofKind(kind);
  const gadget: Gadget = frozen(whole);
  const compiled = compileOutputs(gadget).get(output.id)!;
  const { definition } = compiled;

  const stage = (run: Run): AnyStage => ({
    id: output.id,
    output,
    prepared: compiled.prepared,
    nowUs: run.nowUs,
    trace: (entry) => run.entries.push(entry),
    plan: (afterUs, what) => run.plans.push({ atUs: run.nowUs + afterUs, what }),
    page: () => ({ orders: [], keys: [], restless: false }),
    sounds: () => [],
  });
  /** Told one order after the other; what it plans comes in its time, or is void. */
  const played = (course: [OutputOrder, number][]): Run => {
    const run: Run = { state: frozen(darkOutput(output, gadget)), nowUs: 0, entries: [], plans: [] };
    const come = (untilUs: number) => {
      for (;;) {
        const next = run.plans.filter(({ atUs }) => atUs <= untilUs).sort((a, b) => a.atUs - b.atUs)[0];
        if (!next) return;
        run.plans.splice(run.plans.indexOf(next), 1);
        run.nowUs = Math.max(run.nowUs, next.atUs);
        const before = run.state;
        const isVoid = definition.isVoid(before, next.what);
        const told = run.entries.length;
        run.state = frozen(definition.due(before, next.what, stage(run)));
        // What is void does nothing at all.
        if (isVoid) expect([run.state, run.entries.length]).toEqual([before, told]);
      }
    };
    for (const [order, afterUs] of course) {
      come(run.nowUs + afterUs);
      run.nowUs += afterUs;
      run.state = frozen(definition.apply(run.state, frozen(order) as never, stage(run)));
    }
    come(run.nowUs + 60_000_000);
    return run;
  };

  it('does the same again, and goes on from JSON as if nothing had been', () => {
    fc.assert(
      fc.property(courseArbitrary(kind), (course) => {
        const run = played(course);
        expect(played(course)).toEqual(run);
        expect(JSON.parse(JSON.stringify(run.state))).toEqual(run.state);
        expect(JSON.parse(JSON.stringify(definition.look(run.state)))).toEqual(definition.look(run.state));
        expect(run.state.kind).toBe(kind);
      }),
      { seed: 3, numRuns: 60 },
    );
  });

  it('tells whatever changes what it looks like, and writes nothing where nothing does', () => {
    fc.assert(
      fc.property(courseArbitrary(kind), (course) => {
        const run: Run = { state: frozen(darkOutput(output, gadget)), nowUs: 0, entries: [], plans: [] };
        for (const [order, afterUs] of course) {
          run.nowUs += afterUs;
          const [before, told] = [run.state, run.entries.length];
          run.state = frozen(definition.apply(before, frozen(order) as never, stage(run)));
          if (run.state !== before) {
            const jobs = definition.jobs(before, run.state, stage(run));
            expect(definition.jobs(before, run.state, stage(run))).toEqual(jobs);
            for (const { us, how, deaf } of jobs) {
              expect(Number.isInteger(us) && us >= 0).toBe(true);
              // Interrupts are shut off by the loop, and by nothing that goes on beside it.
              expect(deaf && how === 'background').toBe(false);
            }
          }
          const looks = [before, run.state].map((one) => JSON.stringify(definition.look(one)));
          if (looks[0] !== looks[1]) expect(run.entries.length).toBeGreaterThan(told);
          // But that it cannot be done.
          const entries = run.entries
            .slice(told)
            .filter((entry) => !('lane' in entry && entry.lane === 'outside'));
          if (run.state === before) expect(entries).toEqual([]);
        }
        // Time, lane and output stand first, whatever the kind says.
        for (const entry of run.entries)
          expect(Object.keys(entry).slice(0, 3)).toEqual(['atUs', 'lane', 'id']);
      }),
      { seed: 4, numRuns: 60 },
    );
  });

  it('is seen to by the loop in whole microseconds, later each time, and tells of nothing that looks no other', () => {
    const { upkeep } = definition;
    if (!upkeep) return;
    let seen = 0;
    fc.assert(
      fc.property(courseArbitrary(kind), (course) => {
        const run = played(course);
        // A fade of some seconds is more than 200 pictures.
        for (let n = 0; n < 200; n += 1) {
          const dueUs = upkeep.dueUs(run.state, stage(run).prepared);
          if (dueUs === null) return;
          expect(Number.isSafeInteger(dueUs)).toBe(true);
          if (n > 0) expect(dueUs).toBeGreaterThan(run.nowUs);
          run.nowUs = Math.max(run.nowUs, dueUs);
          const [before, told] = [run.state, run.entries.length];
          run.state = frozen(upkeep.done(before, stage(run)));
          // What is told of it looks otherwise; that it dims while nobody is there tells no two states apart.
          const [is, was] = [run.state, before].map((one) => JSON.stringify(definition.look(one)));
          const since = run.entries.slice(told) as { lane: string }[];
          if (since.some(({ lane }) => lane !== 'shining')) expect(is).not.toBe(was);
          seen += 1;
        }
      }),
      { seed: 7, numRuns: 60 },
    );
    expect(seen).toBeGreaterThan(50);
  });

  it('is dark at first, loads nothing then, and is told dark where it was seen or heard', () => {
    const dark = darkOutput(output, gadget);
    expect(definition.loads(dark)).toBe(false);
    fc.assert(
      fc.property(courseArbitrary(kind), (course) => {
        const run = played(course);
        const before = run.entries.length;
        definition.powerOff(run.state, stage(run));
        const told = run.entries.length - before;
        // Nothing is told of a dark one.
        definition.powerOff(dark, stage(run));
        expect(run.entries).toHaveLength(before + told);
        if (definition.loads(run.state)) expect(told).toBeGreaterThan(0);
      }),
      { seed: 5, numRuns: 60 },
    );
  });

  it('outlives an edit that leaves it as it is, and being moved in time', () => {
    fc.assert(
      fc.property(courseArbitrary(kind), fc.nat(1_000_000), (course, byUs) => {
        const { state } = played(course);
        expect(definition.adopt(state, darkOutput(output, gadget), gadget)).toEqual(state);
        expect(definition.later(state, 0)).toEqual(state);
        const moved = definition.later(state, byUs);
        expect(definition.later(moved, -byUs)).toEqual(state);
        expect(definition.look(moved)).toEqual(definition.look(state));
      }),
      { seed: 6, numRuns: 60 },
    );
  });
});

describe('the kinds of output', () => {
  it('are those of the document, each with its runtime', () => {
    const rooms = join(__dirname, '..');
    const files = (ending: string) =>
      readdirSync(rooms, { recursive: true })
        .map(String)
        .filter((path) => path.endsWith(ending))
        .map((path) => path.split('/').at(-1)!.slice(0, -ending.length))
        .sort();
    expect(files('.document.ts')).toEqual(files('.output.ts'));
    expect([...kinds].sort()).toEqual(files('.output.ts'));
    expect(orders.length).toBeGreaterThanOrEqual(kinds.length);
  });
});
