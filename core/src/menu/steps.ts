import type { Action, MenuItemOf, Variable } from '../gadget/index.ts';
import type { Making } from './making.ts';

/** One step further; beyond the end it stays, or begins at the other. */
export function stepped(m: Making, item: MenuItemOf<'value'>, id: string, way: 1 | -1): Action {
  const { outline } = m;
  const { low, high } = outline.rangeOf(item);
  const step = outline.stepOf(item);
  // Compared before it is added: a sum beyond 32 bits would come out on the other side.
  const [edge, other] = way === 1 ? [high, low] : [low, high];
  const beyond = outline.valuesGoRound(item) ? other : edge;
  // Where not even one step fits in, there are but the ends.
  if (high - low < step) return m.setting(id, String(beyond));
  const [isLast, moved] =
    way === 1 ? [`${id} > ${high - step}`, `${id} + ${step}`] : [`${id} < ${low + step}`, `${id} - ${step}`];
  return m.setting(id, `${isLast} ? ${beyond} : ${moved}`);
}

function countOf(m: Making, item: MenuItemOf<'pick'>): string {
  const most = m.outline.offeredBy(item);
  return item.countId === null ? String(most) : `clamp(${item.countId}, 1, ${most})`;
}

export function picked(m: Making, item: MenuItemOf<'pick'>, id: string, way: 1 | -1): Action {
  const count = countOf(m, item);
  return m.setting(id, `(max(${id}, 0) + ${way === 1 ? '1' : `${count} - 1`}) % (${count})`);
}

/** The option of a number: expressions keep choices and numbers apart. */
export function optionOf(m: Making, item: MenuItemOf<'choice'>, number: string): string {
  const { id, options } = optionsOf(m, item);
  return options
    .map((option, at) =>
      at === options.length - 1 ? `${id}.${option.id}` : `${number} == ${at} ? ${id}.${option.id}`,
    )
    .join(' : ');
}

/** The number of the option that it is. */
export function numberOf(m: Making, item: MenuItemOf<'choice'>): string {
  const { id, options } = optionsOf(m, item);
  return options
    .map((option, at) => (at === options.length - 1 ? String(at) : `${id} == ${id}.${option.id} ? ${at}`))
    .join(' : ');
}

export function optionsOf(
  m: Making,
  { variableId }: MenuItemOf<'choice'>,
): Extract<Variable, { kind: 'choice' }> {
  return m.outline.variable(variableId) as Extract<Variable, { kind: 'choice' }>;
}

/** Straight from one option to the next, where it is set as it stands. */
export function nextOption(m: Making, item: MenuItemOf<'choice'>, way: 1 | -1): Action {
  const { id, options } = optionsOf(m, item);
  const last = options.length - 1;
  const beyond = m.outline.valuesGoRound(item) ? (way === 1 ? 0 : last) : way === 1 ? last : 0;
  const chain = options.map((option, at) => {
    const to = `${id}.${options[at + way] ? options[at + way]!.id : options[beyond]!.id}`;
    return at === last ? to : `${id} == ${id}.${option.id} ? ${to}`;
  });
  return m.setting(id, chain.join(' : '));
}
