import * as fc from 'fast-check';
import { readRule } from '../flow/index.ts';
import type { Gadget, OutputAction, Page } from '../gadget/index.ts';
import { looksOf, Machine, type Stimulus, type TraceEntry } from '../machine/index.ts';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { button, numberVariable, part, rule, state } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { numberAt, paged } from '../test/screenCases.ts';
import { elementProblem } from './problem.ts';
import { pageTried } from './tried.ts';
import { outputOf, pageOf, textAt, toldGadget } from '../test/toldGadget.ts';

/** A display of 128 × 64 on a two-wire bus of 400 kHz in pieces of 16 bytes. Source: reckoning, Buses and screens. */
const pictureUs = 26_240;

/** Counts presses of one key, and shows the count. */
function counting(patch: Partial<Extract<Gadget['outputs'][number], { kind: 'screen' }>> = {}): Gadget {
  const told = toldGadget(
    { ...outputOf('screen', 'Glass'), ...patch } as Gadget['outputs'][number],
    [],
    [numberVariable({ id: 'v1', name: 'count', initial: 0, max: 999 })],
  );
  const gadget: Gadget = {
    ...told,
    controls: [
      button({ id: 'b1', name: 'Key', contact: { ...button().contact, closeMaxUs: 0, openMaxUs: 0 } }),
    ],
    parts: [...told.parts, part('p2', 'push-button', ['b1'])],
    pages: [pageOf([textAt('Count {v1}')])],
  };
  const press = rule('r1', readRule('when Key press do count = count + 1', gadget));
  return { ...gadget, flow: { ...gadget.flow, states: [state('s1', { name: 'All', rules: [press] })] } };
}

const press = (atMs: number, forMs = 80): Stimulus[] => [
  { atUs: atMs * 1_000, controlId: 'b1', what: 'down' },
  { atUs: (atMs + forMs) * 1_000, controlId: 'b1', what: 'up' },
];

function play(
  gadget: Gadget,
  stimuli: Stimulus[],
  untilMs: number,
): { machine: Machine; trace: TraceEntry[] } {
  const machine = new Machine(gadget, 1);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(untilMs * 1_000);
  return { machine, trace: machine.takeTrace() };
}

const glassOf = (machine: Machine) => {
  const shown = machine.shown.outputs['o1'];
  if (shown?.kind !== 'screen') throw new Error('expected a display of pixels');
  return shown.glass;
};
const runningAt = (text: string): OutputAction => ({
  kind: 'drawRunning',
  outputId: 'o1',
  onlyIf: '1',
  blinks: 'steady',
  group: 0,
  ink: '1',
  x: '0',
  y: '0',
  font: '6x8',
  width: '60',
  text,
  stepMs: 50,
});

const pictures = (trace: readonly TraceEntry[]) =>
  trace.flatMap((entry) => (entry.lane === 'screen' ? [[entry.atUs, entry.pageId, ...entry.texts]] : []));

describe('what is typed for a page', () => {
  it('is refused where it could not be drawn there, and says why', () => {
    const gadget = paged([numberAt('v1')]);
    expect(elementProblem(gadget, 'n1', numberAt('v1 + 1'))).toBeNull();
    expect(elementProblem(gadget, 'n1', numberAt('elapsed / 600'))).toBe(
      'expected elapsed("…") with the name of a state here',
    );
    expect(elementProblem(gadget, 'n1', numberAt('random(3)'))).toContain('expected no random(…) on a page');
  });
});

describe('a display of pixels', () => {
  it('shows its first page when that is all over the bus, and the loop waits for it', () => {
    const { trace } = play(counting(), [], 200);
    expect(pictures(trace)).toEqual([[pictureUs, 'n1', 'Count 0']]);
    expect(trace.filter(({ lane }) => lane === 'busy')).toEqual([
      { atUs: 0, lane: 'busy', id: 'o1', forUs: pictureUs, untilUs: pictureUs, deaf: false },
    ]);
  });

  it('sends another where a value has changed, and none where nothing has', () => {
    const { trace } = play(counting(), press(300), 10_000);
    const shown = pictures(trace);
    expect(shown.map(([, , text]) => text)).toEqual(['Count 0', 'Count 1']);
    // At once, as the last picture was long ago; seen when it is over the bus.
    const counted = trace.find(({ lane }) => lane === 'variable')!;
    expect(Number(shown[1]![0]) - counted.atUs).toBe(pictureUs);
    expect(trace.filter(({ lane }) => lane === 'busy')).toHaveLength(2);
  });

  it('takes the values of the moment in which a picture begins, and no more pictures than it may', () => {
    const fast = [300, 340, 380, 420, 460].flatMap((ms) => press(ms, 20));
    const beside = counting({ sends: 'background', mostHz: 5 });
    const shown = pictures(play(beside, fast, 3_000).trace);
    expect(shown.map(([, , text]) => text)).toEqual(['Count 0', 'Count 1', 'Count 5']);
    expect(Number(shown[2]![0]) - Number(shown[1]![0])).toBe(200_000);
  });

  it('swallows a press that comes and goes while the loop waits, and none where it is sent beside', () => {
    const short = press(5, 15);
    const counts = (sends: 'blocking' | 'background') =>
      play(counting({ sends }), short, 1_000).machine.shown.variables['v1'];
    expect([counts('blocking'), counts('background')]).toEqual([0, 1]);
  });

  it('goes on by itself where a page asks for time', () => {
    const gadget = counting({ mostHz: 10 });
    const clock: Gadget = { ...gadget, pages: [pageOf([textAt('{elapsed(s1) / 1000} s')])] };
    const shown = pictures(play(clock, [], 3_500).trace);
    expect(shown.map(([, , text]) => text)).toEqual(['0 s', '1 s', '2 s', '3 s']);
  });

  it('blinks by itself, twice as often where it is fast, and is read all the while', () => {
    const blinking = (blinks: 'slow' | 'fast') => {
      const { machine, trace } = play(paged([numberAt('v1', { blinks })]), [], 2_100);
      const sent = trace.filter(({ lane }) => lane === 'busy').length;
      return { sent, read: pictures(trace).length, glass: glassOf(machine) };
    };
    // At 0, 500, 1000, 1500, 2000 ms; at 0, 250 and so on.
    expect(blinking('slow')).toMatchObject({ sent: 5, read: 1, glass: { drawings: [{ off: false }] } });
    expect(blinking('fast')).toMatchObject({ sent: 9, read: 1 });
    // Steady, nothing is sent at all.
    expect(
      play(paged([numberAt('v1')], {}), [], 2_100).trace.filter(({ lane }) => lane === 'busy'),
    ).toHaveLength(1);
  });

  it('runs a text as far as time has gone by since its page came, and lets one stand that has room', () => {
    const running = (text: string) => paged([runningAt(text)], { sends: 'free' });
    const { machine } = play(running('Tonight at the lantern gate, twice'), [], 1_000);
    // 50 ms a pixel.
    expect(glassOf(machine).drawings[0]).toMatchObject({ ranPx: 20 });
    const still = play(running('Tonight'), [], 1_000);
    expect(glassOf(still.machine).drawings[0]).toMatchObject({ ranPx: 0 });
    // Another page, and back again: it begins anew.
    const back = toldGadget(
      { ...outputOf('screen', 'Glass'), sends: 'free' } as Gadget['outputs'][number],
      [[500, 'Glass page Score'], [700, 'Glass page First']],
    ); // prettier-ignore
    const gadget = {
      ...back,
      pages: [pageOf([runningAt('Tonight at the lantern gate, twice')]), ...back.pages.slice(1)],
    };
    expect(glassOf(play(gadget, [], 1_200).machine).drawings[0]).toMatchObject({ ranPx: 10 });
  });

  it('plots a value every so often, as many as there is room for, and begins anew with its page', () => {
    const plot = {
      kind: 'drawPlot', outputId: 'o1', onlyIf: '1', blinks: 'steady', ink: '1', group: 0, x: '0', y: '0', width: '4', height: '8',
      value: 'v1', low: '0', high: '9', everyMs: 200, how: 'line', unknownIf: '0',
    } as const; // prettier-ignore
    const gadget = counting({ sends: 'free' });
    const plotted: Gadget = { ...gadget, pages: [pageOf([plot])] };
    const values = (untilMs: number) => {
      const [drawing] = glassOf(play(plotted, [...press(100), ...press(500)], untilMs).machine).drawings;
      return drawing && 'values' in drawing ? drawing.values : null;
    };
    // Taken at 0, 200, 400, 600, 800 ms.
    expect(values(150)).toEqual([0]);
    expect(values(250)).toEqual([0, 1]);
    expect(values(700)).toEqual([0, 1, 1, 2]);
    expect(values(900)).toEqual([1, 1, 2, 2]);
  });

  it('marks how far a bar was filled at most, for as long as it says', () => {
    const bar = {
      kind: 'drawBar', outputId: 'o1', onlyIf: '1', blinks: 'steady', ink: '1', group: 0, x: '0', y: '0', width: '10', height: '2',
      value: 'v1 % 3', low: '0', high: '9', grows: 'right', framed: false, blocks: 0, peakMs: 500, unknownIf: '0',
    } as const; // prettier-ignore
    const gadget: Gadget = { ...counting({ sends: 'free' }), pages: [pageOf([bar])] };
    const most = (untilMs: number) => {
      const [drawing] = glassOf(
        play(gadget, [...press(100), ...press(300), ...press(500)], untilMs).machine,
      ).drawings;
      return drawing && 'values' in drawing ? drawing.values : null;
    };
    // 1, 2, and 0 again with the third press, at about 503 ms: the 2 is marked until 803.
    expect(most(250)).toEqual([1]);
    expect(most(400)).toEqual([2]);
    expect(most(700)).toEqual([2]);
    expect(most(900)).toEqual([0]);
  });

  it('looks the same whenever one looks, as far as it goes on by itself', () => {
    const gadget = paged([
      numberAt('v1', { blinks: 'fast' }),
      runningAt('Tonight at the lantern gate, twice'),
    ]);
    const looks = [300, 700, 1_900].map((ms) => looksOf(play(gadget, [], ms).machine.shown.outputs));
    expect(looks[1]).toEqual(looks[0]);
    expect(looks[2]).toEqual(looks[0]);
    const other = paged([
      numberAt('v1', { blinks: 'slow' }),
      runningAt('Tonight at the lantern gate, twice'),
    ]);
    expect(looksOf(play(other, [], 300).machine.shown.outputs)).not.toEqual(looks[0]);
  });

  it('asks the loop for no more than what goes on by itself', () => {
    // A minute of a text that blinks once a second: two pictures a second, and nothing between them.
    const { machine, trace } = play(paged([numberAt('v1', { blinks: 'slow' })]), [], 60_000);
    expect(trace.filter(({ lane }) => lane === 'busy')).toHaveLength(120 + 1);
    expect(glassOf(machine).drawings).toHaveLength(1);
  });

  it('shows the page that it is told, none, and what is written over either', () => {
    const told = toldGadget(outputOf('screen', 'Glass'), [
      [100, 'Glass page Score'],
      [200, 'Glass page none'],
      [300, 'Glass row 1 "Hot"'],
      [400, 'Glass page Score'],
    ]);
    const { machine, trace } = play(told, [], 1_000);
    expect(pictures(trace).map(([, page, ...texts]) => [page, ...texts])).toEqual([
      ['n1'],
      ['n2', 'Ready 42'],
      [null],
      ['n2', 'Ready 42'],
    ]);
    expect(machine.shown.outputs['o1']).toMatchObject({
      glass: { pageId: 'n2', rows: expect.arrayContaining(['Hot']) },
    });
  });

  it('sends only the tiles that look otherwise, where that is what it does, and none where none do', () => {
    const counted = (update: 'whole' | 'changed') =>
      play(counting({ update, sends: 'blocking' }), press(300), 1_000).trace.flatMap((entry) =>
        entry.lane === 'busy' ? [entry.forUs] : [],
      );
    expect(counted('whole')).toEqual([pictureUs, pictureUs]);
    // "Count 0" lies on six tiles of eight bytes, 0 to 41; its digit, from 36 to 40, on two of them.
    // Each run: three bytes to go there, and its own; nine bits each, two more bytes and two bits a piece of sixteen.
    const us = (bytes: number) => ((bytes + 2 * Math.ceil(bytes / 16)) * 9 + 2 * Math.ceil(bytes / 16)) * 2.5;
    expect(counted('changed')).toEqual([us(3) + us(48), us(3) + us(16)].map(Math.round));
    // What changes behind the edge of the display is no other picture.
    const unseen = { ...counting({ update: 'changed' }), pages: [pageOf([textAt('{v1}', '200')])] };
    expect(play(unseen, press(300), 1_000).trace.some(({ lane }) => lane === 'busy')).toBe(false);
  });

  it('is as fast as its values where its bus takes no time', () => {
    const { trace } = play(counting({ sends: 'free' }), press(300), 1_000);
    const counted = trace.find(({ lane }) => lane === 'variable')!;
    expect(pictures(trace).map(([atUs]) => atUs)).toEqual([0, counted.atUs]);
    expect(trace.some(({ lane }) => lane === 'busy')).toBe(false);
  });

  it('takes up an edit of the page that it shows, and another page where that is gone', () => {
    const gadget = counting();
    const { machine } = play(gadget, press(100), 500);
    const texts = () => {
      machine.advanceTo(machine.nowUs + 200_000);
      const glass = machine.shown.outputs['o1'];
      return glass?.kind === 'screen' ? glass.glass.drawings.map((one) => 'text' in one && one.text) : null;
    };
    expect(texts()).toEqual(['Count 1']);
    machine.adopt({ ...gadget, pages: [pageOf([textAt('So many: {v1}')])] });
    expect(texts()).toEqual(['So many: 1']);
    machine.adopt({ ...gadget, pages: [pageOf([textAt('Other')], 'n7')] });
    expect(texts()).toEqual(['Other']);
    machine.adopt({ ...gadget, pages: [] });
    expect(texts()).toEqual([]);
  });

  it('has over its page what lies over all of them, while that is so', () => {
    const told = toldGadget(
      outputOf('screen', 'Glass'),
      [[100, 'Glass page Score'], [200, 'count = 7'], [300, 'Glass page none'], [400, 'count = 0']],
      [numberVariable({ id: 'v1', name: 'count' })],
    ); // prettier-ignore
    // First in the document, and yet no page to begin with.
    const notice = { ...pageOf([textAt('Low {v1}')], 'n9', 'Notice'), over: 'v1 > 5' };
    const shown = pictures(play({ ...told, pages: [notice, ...told.pages] }, [], 1_000).trace);
    expect(shown.map(([, page, ...texts]) => [page, ...texts])).toEqual([
      ['n1'],
      ['n2', 'Ready 42'],
      ['n2', 'Ready 42', 'Low 7'],
      [null, 'Low 7'],
      [null],
    ]);
  });

  it('goes dark with the power, and begins with its first page again', () => {
    const told = toldGadget(outputOf('screen', 'Glass'), [[100, 'Glass page Score']]);
    const { trace } = play(
      told,
      [{ atUs: 500_000, controlId: 'gadget', what: 'power', event: 'cycle' }],
      1_000,
    );
    expect(pictures(trace).map(([, page]) => page)).toEqual(['n1', 'n2', null, 'n1', 'n2']);
  });

  it('loses with the power what lies over no page, and rows with an edit that takes them away', () => {
    const told = toldGadget({ ...outputOf('screen', 'Glass'), sends: 'free' } as Gadget['outputs'][number], [
      [100, 'Glass row 2 "Hot"'],
    ]);
    const off: Stimulus = { atUs: 500_000, controlId: 'gadget', what: 'power', event: 'cycle' };
    const notice = { ...pageOf([textAt('Low')], 'n9', 'Notice'), over: '1' };
    const { trace } = play({ ...told, pages: [notice] }, [off], 600);
    expect(pictures(trace).map(([, page, ...texts]) => [page, ...texts])).toEqual([
      [null, 'Low'],
      [null],
      [null, 'Low'],
    ]);
    const bare: Gadget = { ...told, pages: [] };
    const { machine } = play(bare, [], 300);
    const glass = () => {
      const one = machine.shown.outputs['o1'];
      return one?.kind === 'screen' ? one.glass.rows : null;
    };
    expect(glass()).toContain('Hot');
    machine.adopt({ ...bare, outputs: [{ ...bare.outputs[0]!, rows: 1 } as Gadget['outputs'][number]] });
    expect(glass()).toEqual(['']);
  });
});

describe('pages of any gadget', () => {
  it('come out the same, wherever the run is cut and goes on from JSON', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        stimuliArbitrary,
        fc.integer({ min: 1, max: 2_000_000 }),
        (gadget, stimuli, cutUs) => {
          const whole = new Machine(gadget, 1);
          for (const stimulus of stimuli) whole.stimulate(stimulus);
          whole.advanceTo(2_500_000);
          const cut = new Machine(gadget, 1);
          for (const stimulus of stimuli) cut.stimulate(stimulus);
          cut.advanceTo(cutUs);
          const before = cut.takeTrace();
          const restored = Machine.restore(gadget, JSON.parse(JSON.stringify(cut.snapshot())));
          restored.advanceTo(2_500_000);
          expect([...before, ...restored.takeTrace()]).toEqual(whole.takeTrace());
          expect(restored.shown).toEqual(whole.shown);
        },
      ),
      { seed: 15, numRuns: runs(60) },
    );
  });
});

describe('what is written on a page', () => {
  const elements = (...list: OutputAction[]): Page[] => [pageOf(list)];
  it('draws no chance: an element that would is left out', () => {
    const gadget = { ...counting(), pages: elements(textAt('{random(6)}'), textAt('Fixed')) };
    expect(pictures(play(gadget, [], 200).trace)).toEqual([[pictureUs, 'n1', 'Fixed']]);
  });
});

describe('a page that is tried', () => {
  const gadget = (): Gadget => {
    const { outputs, pages, ...rest } = counting();
    return {
      ...rest,
      outputs,
      pages: [...pages, { ...pageOf([textAt('Held {value(b1)}')], 'n3'), over: '0' }],
    };
  };
  const said = (pageId: string, trying: Parameters<typeof pageTried>[2]) =>
    pageTried(gadget(), pageId, trying).drawn.drawings.map((one) => ('text' in one ? one.text : ''));
  it('comes out as the gadget begins, and with the least and the most that values can be', () => {
    expect(['start', 'least', 'most'].map((trying) => said('n1', trying as 'start'))).toEqual([
      ['Count 0'],
      ['Count 0'],
      ['Count 999'],
    ]);
    expect([said('n3', 'least'), said('n3', 'most')]).toEqual([['Held 0'], ['Held 1']]);
  });
  it('comes out with given values, and by itself, whatever would lie over it', () => {
    const here = { variables: { v1: 41 }, stateIds: ['s1'], places: { b1: 1 } };
    expect(said('n1', here)).toEqual(['Count 41']);
    expect(said('n3', here)).toEqual(['Held 1']);
    expect(said('n9', here)).toEqual([]);
  });
});
