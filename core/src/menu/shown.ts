import {
  textFontNames,
  variableRange,
  type Action,
  type MenuFormat,
  type MenuItem,
  type OutputActionOf,
  type Page,
  type Variable,
} from '../gadget/index.ts';
import { fitsInterval, followsId, intervalTerms, termOf } from './interval.ts';
import { madeId, type Outline } from './outline.ts';

/** What a place of a menu shows: done on coming there and after each change there, with what that takes. */
export interface Shown {
  entry: Action[];
  changed: Action[];
  pages: Page[];
  variables: Variable[];
}
export const nothingShown: Shown = { entry: [], changed: [], pages: [], variables: [] };

type FontName = (typeof textFontNames)[number];
const cellOf = (font: FontName) => {
  const [widthPx, heightPx] = font.split('x').map(Number) as [number, number];
  return { widthPx, heightPx };
};
/** The largest in which so many characters fit into that place; the smallest where none does. */
function fitting(characters: number, widthPx: number, heightPx: number): FontName {
  const fits = [...textFontNames].reverse().find((font) => {
    const cell = cellOf(font);
    return cell.widthPx * characters <= widthPx && cell.heightPx <= heightPx;
  });
  return fits ?? textFontNames[0];
}

/** A texts variable that never changes: names by number. */
export const namesVariable = (id: string, name: string, texts: readonly string[]): Variable => ({
  id,
  kind: 'texts',
  name,
  saved: null,
  length: Math.min(64, Math.max(1, ...texts.map((text) => [...text].length))),
  initials: texts.map((text) => [...text].slice(0, 64).join('')),
});

/** A text as it is, where texts have gaps: braces are characters by their number. */
export const literal = (text: string): string =>
  text.replace(/[{}]/g, (brace) => `{char(${brace.codePointAt(0)})}`);

/** Stands before the value that follows from the others now; null: it is none of those. */
function followMark(
  { menu, gadget }: Outline,
  variableId: string,
): { template: string; variable: Variable } | null {
  const term = termOf(menu.interval, variableId);
  if (term === null || !fitsInterval(gadget, menu.interval!)) return null;
  const marks = namesVariable(`${menu.id}q`, `${menu.id}_follows`, ['', '=']);
  return {
    template: `{${marks.id}[${followsId(menu)} == ${intervalTerms.indexOf(term)}]}`,
    variable: marks,
  };
}

/** What an item's value looks like as a text with gaps; null: it has none. */
export interface ValueText {
  template: string;
  /** Characters that it takes at most. */
  longest: number;
  variables: Variable[];
}

const digits = (value: number): number => String(value).length;

/** Parts of a whole, and how many digits stand behind its sign. */
const behind: Record<Exclude<MenuFormat, 'plain'>, { of: number; digits: number; sign: string }> = {
  tenths: { of: 10, digits: 1, sign: '.' },
  hundredths: { of: 100, digits: 2, sign: '.' },
  clock: { of: 60, digits: 2, sign: ':' },
};

/** A number as a text with gaps, and the most characters that it takes within its range. */
function numberWritten(
  item: MenuItem,
  of: string,
  [low, high]: readonly [number, number],
): Pick<ValueText, 'template' | 'longest' | 'variables'> {
  const format = 'format' in item ? item.format : 'plain';
  if (format === 'plain')
    return { template: `{${of}}`, longest: Math.max(digits(low), digits(high)), variables: [] };
  const part = behind[format];
  const size = low < 0 ? `abs(${of})` : of;
  const rest = part.digits === 1 ? `{${size} % 10}` : `{${size} % ${part.of} / 10}{${size} % 10}`;
  const sign = namesVariable(madeId(item, 'g'), `sign_${item.id}`, ['', '-']);
  const largest = Math.max(Math.abs(low), Math.abs(high));
  return {
    template: `${low < 0 ? `{${sign.id}[${of} < 0]}` : ''}{${size} / ${part.of}}${part.sign}${rest}`,
    longest: digits(Math.floor(largest / part.of)) + 1 + part.digits + (low < 0 ? 1 : 0),
    variables: low < 0 ? [sign] : [],
  };
}

/** @param id the variable that holds it; while it is being set, that is another */
export function valueText(outline: Outline, item: MenuItem, id?: string): ValueText | null {
  if (!('variableId' in item)) return null;
  const variable = outline.variable(item.variableId);
  const of = id ?? variable.id;
  if (item.kind === 'pick') {
    const last = outline.offeredBy(item) - 1;
    const length = variable.kind === 'texts' ? variable.length : 0;
    return {
      template: `{${variable.id}[clamp(${id ?? item.chosenId}, 0, ${last})]}`,
      longest: length,
      variables: [],
    };
  }
  switch (variable.kind) {
    case 'number': {
      const { low, high } = item.kind === 'value' ? outline.rangeOf(item) : variableRange(variable);
      const unit = variable.unit === '' ? '' : ` ${literal(variable.unit)}`;
      const written = numberWritten(item, of, [low, high]);
      const mark = followMark(outline, variable.id);
      return {
        template: `${mark?.template ?? ''}${written.template}${unit}`,
        longest: written.longest + [...unit].length + (mark ? 1 : 0),
        variables: [...written.variables, ...(mark ? [mark.variable] : [])],
      };
    }
    case 'flag': {
      const { on, off } = outline.menu.words;
      const names = namesVariable(madeId(item, 't'), `${variable.name}_words`, [off, on]);
      return {
        template: `{${names.id}[${of}]}`,
        longest: Math.max([...on].length, [...off].length),
        variables: [names],
      };
    }
    case 'choice': {
      const options = variable.options.map(({ name }) => name.replace(/_/g, ' '));
      const names = namesVariable(madeId(item, 't'), `${variable.name}_words`, options);
      return {
        template: `{${names.id}[${of}]}`,
        longest: Math.max(...options.map((name) => [...name].length)),
        variables: [names],
      };
    }
    case 'text':
      return { template: `{${of}}`, longest: variable.length, variables: [] };
    default:
      return null;
  }
}

/** How a menu's display is written on. */
export interface Writer {
  /** Rows of a list that are in view, its title not counted. */
  rows: number;
  /** @param cursorId the variable that says where one stands */
  list(
    ownerId: string,
    title: string,
    names: { id: string; texts: readonly string[] },
    values: readonly (ValueText | null)[],
    cursorId: string,
  ): Shown;
  /** One value, large, under its name; beside the value there may be what is being put in next. */
  value(
    ownerId: string,
    title: string,
    value: Pick<ValueText, 'template' | 'longest'>,
    next?: Pick<ValueText, 'template' | 'longest'>,
  ): Shown;
  /** Labels beside keys, on several screens where they are many. */
  labels(ownerId: string, title: string, pages: readonly (readonly Label[])[], pageId: string | null): Shown;
  /** Nothing at all. */
  dark: Action[];
  /** What leaving the menu leaves behind. */
  leave: Action[];
}
export interface Label {
  name: string;
  value: ValueText | null;
}

/** Where one stands lies in the middle of what is in view, except near the ends; as lists on pages have it. */
const topOf = (cursor: string, count: number, rows: number): string =>
  count <= rows ? '0' : `clamp(${cursor} - ${rows >> 1}, 0, ${count - rows})`;

const nobody: Writer = {
  rows: 1,
  list: () => nothingShown,
  value: () => nothingShown,
  labels: () => nothingShown,
  dark: [],
  leave: [],
};

/**
 * A display of characters: its rows are written anew with every change.
 * @param over there are pages under it, which an empty row would let through
 */
function inRows(outputId: string, columns: number, rows: number, over: boolean): Writer {
  const empty = over ? ' ' : '';
  const titled = rows > 2;
  const inView = titled ? rows - 1 : rows;
  const row = (at: number, text: string): Action => ({ kind: 'text', outputId, row: at, text });
  const written = (lines: readonly string[], variables: Variable[]): Shown => {
    const actions = Array.from({ length: rows }, (_, at) => row(at, lines[at] ?? empty));
    return { entry: actions, changed: actions, pages: [], variables };
  };
  const head = (title: string) => (titled ? [literal(title)] : []);
  const all = (text: string) => Array.from({ length: rows }, (_, at) => row(at, text));
  return {
    rows: inView,
    list: (_owner, title, { id }, values, cursor) => {
      const count = values.length;
      const top = topOf(cursor, count, inView);
      const lines = Array.from({ length: Math.min(inView, count) }, (_, at) => {
        const place = count <= inView ? String(at) : `${top} + ${at}`;
        return `{char(${cursor} == ${place} ? 62 : 32)}{${id}[${place}]}`;
      });
      return written([...head(title), ...lines], []);
    },
    value: (_owner, title, { template }, next) => {
      const typed = next === undefined ? template : `${template}${next.template}`;
      if (rows === 1) return written([next === undefined ? `${literal(title)} ${template}` : typed], []);
      return written([literal(title), typed], []);
    },
    labels: (ownerId, title, pages, pageId) => {
      const slots = Math.max(...pages.map((page) => page.length));
      // As many in a row as there are keys beside one another; a row each where there are rows for all.
      const across = rows >= slots ? 1 : Math.ceil(slots / inView);
      const width = Math.floor(columns / across);
      const label = (page: readonly Label[], at: number) => {
        const name = page[at]?.name ?? '';
        return across === 1
          ? name
          : [...name]
              .slice(0, width - 1)
              .join('')
              .padEnd(width);
      };
      const named = Array.from({ length: slots }, (_, at) =>
        namesVariable(
          `${ownerId}k${at}`,
          `${ownerId}_key_${at + 1}`,
          pages.map((page) => label(page, at)),
        ),
      );
      const lines = Array.from({ length: Math.ceil(slots / across) }, (_, line) =>
        named
          .slice(line * across, (line + 1) * across)
          .map(({ id }) => `{${id}[${pageId ?? '0'}]}`)
          .join(''),
      );
      return written([...(lines.length < rows ? head(title) : []), ...lines], named);
    },
    dark: all(empty),
    leave: all(''),
  };
}

/** Always there, in the usual ink. */
const usual = { onlyIf: '1', blinks: 'steady', ink: '1', group: 0 } as const;

/** A display of pixels: pages of its own. */
function onPages(outline: Outline, outputId: string, widthPx: number, heightPx: number): Writer {
  const { gadget } = outline;
  const font: FontName = widthPx >= 60 && heightPx >= 24 ? '6x8' : '4x6';
  const cell = cellOf(font);
  const titled = heightPx >= 3 * cell.heightPx + 2;
  const top = titled ? cell.heightPx + 2 : 0;
  const rows = Math.min(16, Math.max(1, Math.floor((heightPx - top) / cell.heightPx)));
  const number = String;
  const text = (
    x: number,
    y: string,
    template: string,
    more: Partial<OutputActionOf<'drawText'>> = {},
  ): OutputActionOf<'drawText'> => ({
    kind: 'drawText',
    outputId,
    ...usual,
    x: number(x),
    y,
    font,
    align: 'left',
    inverted: false,
    text: template,
    ...more,
  });
  const head = (title: string): Page['elements'] =>
    titled
      ? [
          text(0, '0', literal(title)),
          {
            kind: 'drawLine',
            outputId,
            ...usual,
            x: '0',
            y: number(cell.heightPx),
            toX: number(widthPx - 1),
            toY: number(cell.heightPx),
          },
        ]
      : [];
  const show = (pageId: string | null): Action => ({ kind: 'showPage', outputId, pageId });
  const page = (ownerId: string, name: string, elements: Page['elements'], variables: Variable[]): Shown => {
    const id = `${ownerId}n`;
    return {
      entry: [show(id)],
      changed: [],
      pages: [{ id, name, outputId, over: null, elements }],
      variables,
    };
  };
  const first = gadget.pages.find((one) => one.outputId === outputId && one.over === null)?.id ?? null;
  return {
    rows,
    list: (ownerId, title, { id }, values, cursor) => {
      const count = values.length;
      const from = topOf(cursor, count, rows);
      const scroll = count > rows ? 2 : 0;
      const right = widthPx - 1 - scroll;
      const placed = values.flatMap((value, at) => {
        if (!value) return [];
        const y = `${top} + (${at} - ${from}) * ${cell.heightPx}`;
        const seen = count > rows ? `${at} >= ${from} && ${at} < ${from} + ${rows}` : null;
        const common = { align: 'right' as const };
        return [
          text(right, y, value.template, {
            ...common,
            onlyIf: seen === null ? `${cursor} != ${at}` : `${cursor} != ${at} && ${seen}`,
          }),
          text(right, y, value.template, { ...common, inverted: true, onlyIf: `${cursor} == ${at}` }),
        ];
      });
      const elements: Page['elements'] = [
        ...head(title),
        {
          kind: 'drawList',
          outputId,
          ...usual,
          x: '0',
          y: number(top),
          font,
          width: number(widthPx),
          rows,
          variableId: id,
          cursor,
        },
        ...placed,
      ];
      return page(ownerId, title, elements, []);
    },
    value: (ownerId, title, { template, longest }, next) => {
      const big = fitting(longest + (next?.longest ?? 0), widthPx, heightPx - top);
      const y = top + Math.max(0, (heightPx - top - cellOf(big).heightPx) >> 1);
      const value =
        next === undefined
          ? text(widthPx >> 1, number(y), template, { font: big, align: 'centre' })
          : text(0, number(y), `${template}${next.template}`, { font: big });
      return page(ownerId, title, [...head(title), value], []);
    },
    labels: (ownerId, title, pages, pageId) => {
      const slots = Math.max(1, outline.slots);
      // As far apart as the keys, under a title where there is room for one.
      const from = top + slots * cell.heightPx <= heightPx ? top : 0;
      const apart = Math.max(cell.heightPx, Math.floor((heightPx - from) / slots));
      const elements = pages.flatMap((labels, p) =>
        labels.flatMap(({ name, value }, at) => {
          const y = number(from + at * apart);
          const onlyIf = pageId === null ? '1' : `${pageId} == ${p}`;
          return [
            text(0, y, literal(name), { onlyIf }),
            ...(value ? [text(widthPx - 1, y, value.template, { onlyIf, align: 'right' })] : []),
          ];
        }),
      );
      return page(ownerId, title, [...(from > 0 ? head(title) : []), ...elements], []);
    },
    dark: [show(null)],
    leave: [show(first)],
  };
}

/** How the display of a menu is written on. */
export function writerOf(outline: Outline): Writer {
  const display = outline.gadget.outputs.find(({ id }) => id === outline.menu.outputId);
  if (display?.kind === 'screen') return onPages(outline, display.id, display.widthPx, display.heightPx);
  if (display?.kind === 'text') {
    const { pages } = outline.gadget;
    const over = pages.some(({ outputId }) => outputId === display.id);
    return inRows(display.id, display.columns, display.rows, over);
  }
  return nobody;
}
