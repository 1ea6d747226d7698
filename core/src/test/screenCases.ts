import type { Gadget, OutputAction, Snag } from '../gadget/index.ts';
import { numberVariable, part } from './fixtures.ts';
import { outputOf, pageOf, textAt, toldGadget } from './toldGadget.ts';

type Glass = Extract<Gadget['outputs'][number], { kind: 'screen' }>;

/** A display of 128 × 64 pixels and its pages; a number of up to 999 and a key are there, too. */
export function paged(
  elements: readonly OutputAction[],
  patch: Partial<Glass> = {},
  figures: Record<string, number> = {},
  told: readonly (readonly [number, string])[] = [],
): Gadget {
  const glass = { ...outputOf('screen', 'Glass'), ...patch } as Glass;
  const gadget = toldGadget(glass, told, [numberVariable({ id: 'v1', name: 'count', min: -99, max: 999 })]);
  return {
    ...gadget,
    pages: [pageOf([...elements]), ...gadget.pages.slice(1)],
    // There from the first moment on, unless it says otherwise.
    parts: gadget.parts.map((part) => ({ ...part, figures: { startUs: 0, ...figures } })),
  };
}

export const numberAt = (value: string, patch: object = {}): OutputAction => ({
  kind: 'drawNumber',
  outputId: 'o1',
  onlyIf: '1',
  blinks: 'steady',
  group: 0,
  ink: '1',
  x: '0',
  y: '0',
  font: '6x8',
  align: 'left',
  inverted: false,
  value,
  format: 'plain',
  places: 0,
  unit: '',
  unknownIf: '0',
  instead: '--',
  ...patch,
});

export const legendsAt = (edge: 'bottom' | 'right', words: string[]): OutputAction => ({
  kind: 'drawLegends',
  outputId: 'o1',
  onlyIf: '1',
  blinks: 'steady',
  group: 0,
  ink: '1',
  font: '6x8',
  edge,
  words,
  inverted: false,
});

/** The same, fed by a cell. */
export const onACell = (gadget: Gadget): Gadget => ({
  ...gadget,
  parts: [...gadget.parts, { ...part('p9', 'cell', []), name: 'Cell' }],
});

const withKey = (gadget: Gadget, control: Gadget['controls'][number]): Gadget => ({
  ...gadget,
  controls: [control],
});

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const screenCases = (key: Gadget['controls'][number]): [string, string, Gadget, Partial<Snag>, boolean][] => [
  [
    'S01',
    'a text on a page that goes over its right edge',
    // 22 characters of six pixels.
    paged([textAt('0123456789012345678901')]),
    {
      place: { kind: 'page', id: 'n1' },
      values: {
        reason: 'edge', page: 'First', display: 'Glass', text: '0123456789012345678901', font: '6x8', length: 22,
        left: 0, right: 131, top: 0, bottom: 7, widthPx: 128, heightPx: 64,
      },
    },
    false,
  ],
  [
    'S01',
    'a number on a page whose longest goes over the edge',
    // Nothing sets it otherwise than to all that it may be: 0 to begin with, so that the text itself is long.
    paged([numberAt('v1 * 0 + 12345', { x: '100' })]),
    { place: { kind: 'page', id: 'n1' } },
    false,
  ],
  [
    'S01',
    'what stands in the place of a value that is none, longer than the value ever is',
    paged([numberAt('v1 * 0', { x: '100', unknownIf: 'v1 < 0', instead: 'no signal' })], {}, {}, [
      [100, 'count = count - 1'],
    ]),
    { place: { kind: 'page', id: 'n1' }, values: expect.objectContaining({ reason: 'edge', text: 'no signal', length: 9 }) as never },
    false,
  ],
  ['S01', 'a text below the lower edge', paged([textAt('x', '0', '57')]), { place: { kind: 'page', id: 'n1' } }, false],
  [
    'S01',
    'a legend wider than its share of the edge',
    // Three shares of 42 pixels; eight characters of six.
    paged([legendsAt('bottom', ['Go', 'Settings', 'Back'])]),
    {
      place: { kind: 'page', id: 'n1' },
      values: { reason: 'legend', page: 'First', display: 'Glass', text: 'Settings', font: '6x8', takes: 48, room: 42 },
    },
    false,
  ],
  [
    'S01',
    'more legends at a side than have room one below the other',
    // Sixteen of four pixels each.
    paged([legendsAt('right', Array<string>(16).fill('up'))]),
    { values: { reason: 'legends', page: 'First', display: 'Glass', text: 'up', font: '6x8', takes: 8, room: 4 } },
    false,
  ],
  [
    'S01',
    'a row of characters wider than its columns, where smaller ones would do',
    paged([], { columns: 10, rows: 2 }, {}, [[100, 'Glass row 1 "eleven char"']]),
    { place: { kind: 'rule', id: 'r1' } },
    true,
  ],
  [
    'S02',
    'a picture for which the loop waits longer than a press',
    // 105 ms at 100 kHz. Source: reckoning, Buses and screens.
    withKey(paged([], {}, { busBaud: 100_000 }), key),
    { place: { kind: 'output', id: 'o1' }, level: 'likely', values: { display: 'Glass', update: 'whole', reason: 'press', pictureUs: 104_960, mostHz: 20, shortestPressUs: 60_000 } },
    false,
  ],
  [
    'S02',
    'more pictures than the bus can carry',
    paged([], { sends: 'background', mostHz: 60 }),
    { level: 'note', values: { display: 'Glass', update: 'whole', reason: 'rate', possible: 38, pictureUs: 26_240, mostHz: 60, shortestPressUs: 60_000 } },
    true,
  ],
  [
    'S04',
    'characters that a font lacks',
    paged([textAt('中 é'), textAt('中')]),
    { place: { kind: 'page', id: 'n1' }, values: { characters: '中', count: 1, font: '6x8', display: 'Glass' } },
    false,
  ],
  [
    'S04',
    'letters in a font of digits',
    paged([{ ...textAt('Hot'), font: '16x24' } as OutputAction]),
    { place: { kind: 'page', id: 'n1' }, values: { characters: 'H o t', count: 3, font: '16x24' } },
    true,
  ],
  [
    'S04',
    'a character that a display of dots has no shape for',
    toldGadget(outputOf('text', 'Rows'), [[100, 'Rows row 1 "Tea ♥"']]),
    { place: { kind: 'rule', id: 'r1' }, values: { characters: '♥', count: 1, font: '', cells: 'dots', display: 'Rows' } },
    false,
  ],
  [
    'X02',
    'a display that keeps one picture, and is told to change over to another',
    paged([], { update: 'swapped', sends: 'background', mostHz: 5 }),
    { place: { kind: 'output', id: 'o1' }, level: 'stop', values: { name: 'Glass', reason: 'onePicture' } },
    true,
  ],
  [
    'S09',
    'a display of dots whose trim stands at its end',
    toldGadget({ ...outputOf('text', 'Rows'), contrast: 0 } as Gadget['outputs'][number], []),
    { place: { kind: 'output', id: 'o1' }, values: { display: 'Rows', reason: 'faint', contrast: 0 } },
    true,
  ],
  [
    'S06',
    'pixels that glow as bright as ever while a cell empties',
    onACell(paged([textAt('Ready')])),
    {
      level: 'likely',
      place: { kind: 'output', id: 'o1' },
      // 850 mAh through 24 mA.
      values: { display: 'Glass', from: 'pixels', how: 'dimmed', litUa: 24_000, cell: 'Cell', hours: 35 },
    },
    true,
  ],
  [
    'S06',
    'a light behind a display that is always on',
    onACell(toldGadget(outputOf('text', 'Rows'), [])),
    { values: { display: 'Rows', from: 'behind', how: 'always', litUa: 20_000, cell: 'Cell', hours: 42 } },
    false,
  ],
  ['S12', 'a page that nothing shows', paged([]), { place: { kind: 'page', id: 'n2' }, values: { page: 'Score', display: 'Glass' } }, true],
]; // prettier-ignore
