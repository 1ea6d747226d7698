import {
  nextIds,
  type Action,
  type Edit,
  type Gadget,
  type Menu,
  type MenuItemOf,
  type SingleEdit,
} from '../gadget/index.ts';

/*
 * An interval from what it is made of: something lasts for so long, is to become a film of that length, at so many
 * pictures a second. Any of the four follows from the others, in whole numbers, rounded to the nearest.
 * Source: reckoning, Intervals: interval = span / (length × rate).
 */

export type Interval = NonNullable<Menu['interval']>;
export const intervalTerms = ['spanId', 'lengthId', 'rateId', 'intervalId'] as const;
export type IntervalTerm = (typeof intervalTerms)[number];

/** Beyond 32 bits nothing is worked out. */
const mostProduct = 2 ** 31 - 1;

/** Which term a variable is; null: none. */
export const termOf = (interval: Interval | null, variableId: string): IntervalTerm | null =>
  intervalTerms.find((term) => interval?.[term] === variableId) ?? null;

/** Which term follows where that one was set: the interval; where it was the interval itself, what the menu says. */
export const followerOf = (interval: Interval, term: IntervalTerm): IntervalTerm =>
  term === 'intervalId' ? interval.instead : 'intervalId';

/** The nearest whole number, halves upwards; of nothing, nothing. */
const nearest = (dividend: string, divisor: string): string =>
  `(${dividend} + ${divisor} / 2) / max(1, ${divisor})`;

/** A term worked out from the others, as an expression over ids. */
export function solvedFor(interval: Interval, term: IntervalTerm): string {
  const { spanId, lengthId, rateId, intervalId, perSecond } = interval;
  const span = perSecond === 1 ? spanId : `${spanId} * ${perSecond}`;
  switch (term) {
    case 'intervalId':
      return nearest(span, `(${lengthId} * ${rateId})`);
    case 'lengthId':
      return nearest(span, `(${intervalId} * ${rateId})`);
    case 'rateId':
      return nearest(span, `(${intervalId} * ${lengthId})`);
    case 'spanId':
      return nearest(`${intervalId} * ${lengthId} * ${rateId}`, String(perSecond));
  }
}

/** Whether all that is multiplied stays within 32 bits, whatever the four are set to, and none is below nothing. */
export function fitsInterval({ flow }: Pick<Gadget, 'flow'>, interval: Interval): boolean {
  const most = (term: IntervalTerm): number => {
    const variable = flow.variables.find(({ id }) => id === interval[term]);
    return variable?.kind === 'number' && variable.min >= 0 ? variable.max : Infinity;
  };
  const { perSecond } = interval;
  return (
    most('spanId') * perSecond + most('lengthId') * most('rateId') <= mostProduct &&
    most('intervalId') * most('lengthId') * most('rateId') + perSecond <= mostProduct &&
    most('spanId') * perSecond + most('intervalId') * Math.max(most('rateId'), most('lengthId')) <=
      mostProduct
  );
}

/** What else is set where a term was: the one that follows, and which one that is. */
export function following(menu: Menu, gadget: Pick<Gadget, 'flow'>, variableId: string): Action[] {
  const { interval } = menu;
  const term = termOf(interval, variableId);
  if (!interval || term === null || !fitsInterval(gadget, interval)) return [];
  const follower = followerOf(interval, term);
  const set = (id: string, value: string): Action => ({ kind: 'set', variableId: id, index: null, value });
  return [
    set(interval[follower], solvedFor(interval, follower)),
    set(followsId(menu), String(intervalTerms.indexOf(follower))),
  ];
}

/** The number of the term that follows. */
export const followsId = ({ id }: Pick<Menu, 'id'>): string => `${id}f`;

/** What the four come to, and by how much the span is missed because of the rounding. */
export interface IntervalSums {
  pictures: number;
  /** In parts of a second. */
  interval: number;
  /** How much longer all of it takes than it should; shorter below 0; in parts of a second. */
  missed: number;
}
/** @param values of the four, whole; `perSecond` parts of a second in an interval */
export function intervalSums(
  values: Readonly<Record<Exclude<IntervalTerm, 'intervalId'>, number>>,
  perSecond: number,
): IntervalSums {
  const pictures = values.lengthId * values.rateId;
  const span = values.spanId * perSecond;
  const interval = Math.floor((span + Math.floor(pictures / 2)) / Math.max(1, pictures));
  return { pictures, interval, missed: interval * pictures - span };
}

/** As they come: an hour and a half of clouds becomes eight seconds of film. */
const fresh: Readonly<
  Record<
    IntervalTerm,
    {
      name: string;
      word: string;
      initial: number;
      min: number;
      max: number;
      step: number;
      unit: string;
      format: MenuItemOf<'value'>['format'];
    }
  >
> = {
  spanId: {
    name: 'Span',
    word: 'span',
    initial: 5_760,
    min: 60,
    max: 36_000,
    step: 60,
    unit: '',
    format: 'clock',
  },
  lengthId: {
    name: 'Length',
    word: 'film',
    initial: 8,
    min: 1,
    max: 120,
    step: 1,
    unit: 's',
    format: 'plain',
  },
  rateId: { name: 'Rate', word: 'rate', initial: 24, min: 1, max: 60, step: 1, unit: '/s', format: 'plain' },
  intervalId: {
    name: 'Interval',
    word: 'interval',
    initial: 300,
    min: 1,
    max: 6_000,
    step: 5,
    unit: 's',
    format: 'tenths',
  },
};

/** Four values of which each follows from the others, with an item each at the end of the outermost list. */
export function addIntervalEdit(gadget: Gadget, menu: Menu): Edit {
  const ids = nextIds(gadget, 'variable', intervalTerms.length);
  const taken = new Set(gadget.flow.variables.map(({ name }) => name));
  const untaken = (word: string): string => {
    let name = word;
    for (let n = 2; taken.has(name); n += 1) name = `${word}${n}`;
    return name;
  };
  const idOf = (term: IntervalTerm) => ids[intervalTerms.indexOf(term)]!;
  const variables = intervalTerms.map((term): SingleEdit => {
    const { word, initial, min, max, unit } = fresh[term];
    const common = { kind: 'number', saved: null, overflow: 'hold' } as const;
    return { name: 'addVariable', args: [{ ...common, name: untaken(word), initial, min, max, unit }] };
  });
  const items = intervalTerms.map((term): SingleEdit => {
    const { name, step, format } = fresh[term];
    const open = { low: null, high: null, typical: null, wraps: false, live: false };
    const item = { kind: 'value', name, use: 1, variableId: idOf(term), step, format, ...open } as const;
    return { name: 'addMenuItem', args: [menu.id, null, item] };
  });
  const interval: Interval = {
    spanId: idOf('spanId'),
    lengthId: idOf('lengthId'),
    rateId: idOf('rateId'),
    intervalId: idOf('intervalId'),
    perSecond: 10,
    instead: 'lengthId',
  };
  const related: SingleEdit = { name: 'changeMenu', args: [menu.id, { interval }] };
  return { name: 'several', args: [[...variables, ...items, related]] };
}
