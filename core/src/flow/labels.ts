import { nestingOf, type Gadget } from '../gadget/index.ts';

/** The first name of each that no other has; where all are taken, the last with a number. */
function unique(candidates: readonly { id: string; names: readonly string[] }[]): Map<string, string> {
  const times = new Map<string, number>();
  for (const { names } of candidates)
    for (const name of new Set(names)) times.set(name, (times.get(name) ?? 0) + 1);
  const labels = new Map<string, string>();
  const given = new Set<string>();
  for (const { id, names } of candidates) {
    const last = names.at(-1)!;
    let label = names.find((name) => times.get(name) === 1 && !given.has(name));
    for (let n = 2; label === undefined; n += 1) {
      const numbered = `${last} #${n}`;
      if (!given.has(numbered) && !times.has(numbered)) label = numbered;
    }
    labels.set(id, label);
    given.add(label);
  }
  return labels;
}

/** What each state is called where names must tell them apart: its name, or with those it lies in before it. */
export function stateLabels({ flow }: Pick<Gadget, 'flow'>): Map<string, string> {
  const nesting = nestingOf(flow);
  return unique(
    nesting.ordered.map(({ id, name }) => {
      const names = [name];
      for (const over of nesting.ancestorsOf(id)) names.push(`${over.name} / ${names.at(-1)!}`);
      return { id, names };
    }),
  );
}

/** Likewise for anything that has only a name. */
export const plainLabels = (list: readonly { id: string; name: string }[]): Map<string, string> =>
  unique(list.map(({ id, name }) => ({ id, names: [name] })));
