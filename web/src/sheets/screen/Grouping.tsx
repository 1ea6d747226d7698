import { IconCopy, IconLink, IconUnlink } from '@tabler/icons-react';
import { limits, type OutputAction, type Page, type Screen, type TextDisplay } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import { rowOf } from './fresh.ts';
import {
  conditionEdits,
  conditionOf,
  copyingEdits,
  groupingEdits,
  partingEdits,
  together,
  wholeGroup,
} from './groups.ts';
import { refusalOf } from './refusal.ts';
import { Tool } from './Tool.tsx';
import { editAll } from './moving.ts';
import classes from './Screen.module.css';

/** What is chosen belongs together, or no more; and what holds for all of a group. */
export function Grouping({
  screen,
  page,
  chosen,
  choose,
}: {
  screen: Screen | TextDisplay;
  page: Page;
  chosen: readonly number[];
  choose: (at: readonly number[]) => void;
}) {
  const gadget = useDocument();
  const { elements } = page;
  const group = wholeGroup(elements, chosen);
  const some = chosen.some((at) => together(elements, at).length > 1);
  const onlyIf = conditionOf(elements, chosen);
  const copy = () => {
    const from = elements.length;
    editAll(copyingEdits(page, chosen, rowOf(screen)));
    choose(chosen.map((_, n) => from + n));
  };
  const tools = [
    {
      label: 'Put together',
      icon: IconLink,
      disabled: chosen.length < 2 || group !== 0,
      done: () => editAll(groupingEdits(page, chosen)),
    },
    {
      label: 'Take apart',
      icon: IconUnlink,
      disabled: !some,
      done: () => editAll(partingEdits(page, chosen)),
    },
    {
      label: chosen.length > 1 ? 'Others like these' : 'Another like this',
      icon: IconCopy,
      disabled: elements.length + chosen.length > limits.elementsPerPage,
      done: copy,
    },
  ];
  return (
    <span role="group" aria-label="Together" className={classes.aligning}>
      {tools.map(({ label, icon: Symbol, disabled, done }) => (
        <Tool key={label} label={label} disabled={disabled} onClick={done}>
          <Symbol size={17} />
        </Tool>
      ))}
      {group !== 0 && (
        <span className={classes.whole}>
          these {chosen.length} only if
          <ExpressionSlot
            label="All of them only if"
            value={onlyIf ?? ''}
            commit={(typed) => {
              const said = typed.trim() === '' ? '1' : typed;
              // A condition can be read on a page or not, whichever element it stands at.
              const first = { ...elements[chosen[0]!]!, onlyIf: said } as OutputAction;
              const refused = refusalOf(gadget, page.id, first);
              if (refused !== null) return refused;
              editAll(conditionEdits(page, chosen, said));
              return null;
            }}
          />
        </span>
      )}
    </span>
  );
}
