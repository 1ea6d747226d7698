import type { Gadget, Menu, MenuItem, MenuItemOf } from '../gadget/index.ts';
import { meansOf, type Means } from './means.ts';
import { Outline } from './outline.ts';
import { missingRoles } from './scheme.ts';
import { Ways, type Effort, type Stroke } from './ways.ts';

/** What one setting of an item costs from where the menu begins. */
export interface Setting extends Effort {
  /** What it is set to. */
  to: number;
}

/** What stands beside an item. */
export interface ItemFigures {
  id: string;
  /** Until it is open, or would be chosen where choosing it is doing it. */
  reach: Effort;
  /** Until it is set to what it is set to most often, turned over, or done. null: there is nothing to set. */
  typical: (Effort & { to: number | null }) | null;
  /** Until it is set to the value that costs most. */
  far: (Effort & { to: number }) | null;
}

const least = (a: Effort, b: Effort): boolean =>
  a.presses === b.presses ? a.timeUs < b.timeUs : a.presses < b.presses;

/** Values that are worth trying for the farthest: both ends, what lies opposite where values go round, and just behind. */
function farValues(outline: Outline, item: MenuItemOf<'value' | 'choice' | 'pick'>, from: number): number[] {
  if (item.kind === 'pick') {
    const count = outline.offeredBy(item);
    return [0, count - 1, from - 1, (from + (count >> 1)) % Math.max(1, count)].filter((to) => to >= 0);
  }
  const { low, high } = outline.rangeOf(item);
  const step = outline.stepOf(item);
  const half = Math.floor((high - low) / step / 2) * step;
  const opposite = from + half <= high ? from + half : from - half;
  // Where steps go one way only, what lies just behind is the farthest.
  const behind = [from - step, from + step];
  return [low, high, opposite, ...behind].filter((to) => to >= low && to <= high);
}

const setOf = (
  outline: Outline,
  ways: Ways,
  item: MenuItemOf<'value' | 'choice' | 'pick'>,
  to: number,
): Setting | null => {
  const effort = ways.setEffort(item, beginOf(outline, item), to);
  return effort && { to, presses: effort.presses, timeUs: effort.timeUs };
};

/** What an item's number is when the gadget is new, inside what it can be set to. */
export function beginOf(outline: Outline, item: MenuItemOf<'value' | 'choice' | 'pick'>): number {
  if (item.kind === 'pick') {
    const chosen = outline.variable(item.chosenId);
    return chosen.kind === 'number' ? chosen.initial : 0;
  }
  return outline.startOf(item);
}

/** What it is set to where nobody said: one step further, or back where that is the end. */
function typicalOf(outline: Outline, item: MenuItemOf<'value' | 'choice' | 'pick'>, from: number): number[] {
  if (item.kind === 'value' && item.typical !== null) return [item.typical];
  if (item.kind === 'pick') return [(from + 1) % Math.max(1, outline.offeredBy(item))];
  const { low, high } = outline.rangeOf(item);
  const step = outline.stepOf(item);
  return [from + step, from - step].filter((to) => to >= low && to <= high);
}

function figuresOfItem(outline: Outline, ways: Ways, item: MenuItem): ItemFigures {
  const reach = ways.reachEffort(item);
  const whole = (strokes: readonly Stroke[]) => ({ ...ways.effort(strokes), to: null });
  switch (item.kind) {
    case 'value':
    case 'choice':
    case 'pick': {
      const from = beginOf(outline, item);
      const known = new Map<number, Setting | null>();
      const set = (to: number) => {
        const found = known.get(to);
        if (found !== undefined) return found;
        const made = setOf(outline, ways, item, to);
        known.set(to, made);
        return made;
      };
      const typical = typicalOf(outline, item, from)
        .flatMap((to) => set(to) ?? [])
        .reduce<Setting | null>((best, one) => (best && !least(one, best) ? best : one), null);
      const far = farValues(outline, item, from)
        .flatMap((to) => set(to) ?? [])
        .reduce<Setting | null>((worst, one) => (worst && !least(worst, one) ? worst : one), null);
      return { id: item.id, reach, typical, far };
    }
    case 'toggle':
      return { id: item.id, reach, typical: whole(ways.toggle(item)), far: null };
    case 'action':
    case 'factory':
      return { id: item.id, reach, typical: whole(ways.act(item)), far: null };
    default:
      return { id: item.id, reach, typical: null, far: null };
  }
}

export interface MenuFigures {
  items: readonly ItemFigures[];
  /** Over all that can be set, done or looked at, each as often as it is wanted. */
  usual: Effort;
  /** What costs most. */
  worst: { id: string; effort: Effort } | null;
}

/** What an item costs on the whole: set as usual, or reached where there is nothing to set. */
export const costOf = ({ typical, reach }: ItemFigures): Effort => typical ?? reach;

/** Every row of an outline with its presses and seconds. */
export function figuresOf(outline: Outline, means: Means): MenuFigures {
  const ways = new Ways(outline, means);
  const items = outline.menu.items.map((item) => figuresOfItem(outline, ways, item));
  const uses = new Map(outline.menu.items.map((item) => [item.id, item.kind === 'submenu' ? 0 : item.use]));
  const leaves = items.filter(({ id }) => outline.item(id)!.kind !== 'submenu');
  let weight = 0;
  let presses = 0;
  let timeUs = 0;
  for (const figures of leaves) {
    const use = uses.get(figures.id)!;
    weight += use;
    presses += use * costOf(figures).presses;
    timeUs += use * costOf(figures).timeUs;
  }
  const worst = leaves.reduce<MenuFigures['worst']>((most, one) => {
    const effort = one.far ?? costOf(one);
    return most && !least(most.effort, effort) ? most : { id: one.id, effort };
  }, null);
  return {
    items,
    usual:
      weight === 0
        ? { presses: 0, timeUs: 0 }
        : { presses: presses / weight, timeUs: Math.round(timeUs / weight) },
    worst,
  };
}

/** The same for a menu as it stands; null: keys that it needs are missing. */
export function menuFigures(gadget: Gadget, menu: Menu): MenuFigures | null {
  if (missingRoles(menu.scheme).length > 0) return null;
  return figuresOf(new Outline(gadget, menu), meansOf(gadget, menu.scheme.keys));
}
