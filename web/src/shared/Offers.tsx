import { Combobox, useCombobox } from '@mantine/core';
import { completeExpression, completeRule, completeTemplate, type Gadget } from '@hum-lever/core';
import { useEffect, useImperativeHandle, type Ref } from 'react';
import classes from './CompletingInput.module.css';

/** What a line of text is written in. */
export type Language = 'rule' | 'expression' | 'template';
const complete = { rule: completeRule, expression: completeExpression, template: completeTemplate };

/** More than a dozen is a list to search, not a hint. */
const mostOffered = 12;

/** What the keys of the field do to the list. */
export interface OffersHand {
  move(by: 1 | -1): void;
  /** @returns whether one was chosen to be taken */
  take(): boolean;
}

/** What could stand at the end of a text, as a list under its field. Renders nothing where nothing could. */
export default function Offers({
  language,
  gadget,
  typed,
  list,
  hand,
  change,
  tell,
}: {
  language: Language;
  gadget: Gadget;
  typed: string;
  /** Id that the list has. */
  list: string;
  hand: Ref<OffersHand>;
  change: (typed: string) => void;
  /** The id of the offer that is chosen; null: none. undefined: there is no list. */
  tell: (active: string | null | undefined) => void;
}) {
  const offers = complete[language](typed, typed.length, gadget).slice(0, mostOffered);
  const open = offers.length > 0;
  const store = useCombobox({ opened: open });
  useImperativeHandle(hand, () => ({
    move: (by) => open && tell(by > 0 ? store.selectNextOption() : store.selectPreviousOption()),
    take: () => {
      if (!open || store.getSelectedOptionIndex() < 0) return false;
      store.clickSelectedOption();
      return true;
    },
  }));
  useEffect(() => {
    store.resetSelectedOption();
    tell(open ? null : undefined);
    // The store and `tell` do the same whenever they are made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typed, open]);
  if (!open) return null;
  return (
    <Combobox
      store={store}
      size="xs"
      // Cards keep what is in them to themselves, and the page wants everything inside its landmarks.
      portalProps={{ target: 'main' }}
      floatingStrategy="fixed"
      width="max-content"
      position="bottom-start"
      onOptionSubmit={(at) => {
        const { text, start } = offers[Number(at)]!;
        // After an open bracket, a dot or a closed text one goes on at once.
        change(`${typed.slice(0, start)}${text}${/[([.]$/.test(text) ? '' : ' '}`);
      }}
    >
      <Combobox.DropdownTarget>
        <span className={classes.anchor} />
      </Combobox.DropdownTarget>
      <Combobox.Dropdown>
        <Combobox.Options id={list} className={classes.offers!} aria-label="What could come next">
          {offers.map(({ text }, at) => (
            <Combobox.Option key={text} value={String(at)} className="number">
              {text}
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}
