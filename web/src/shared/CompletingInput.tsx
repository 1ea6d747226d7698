import { Combobox, TextInput, useCombobox, type TextInputProps } from '@mantine/core';
import type { Completion } from '@hum-lever/core';
import { useId, useState, type KeyboardEvent } from 'react';
import classes from './CompletingInput.module.css';

/** More than a dozen is a list to search, not a hint. */
const mostOffered = 12;

type Props = Omit<TextInputProps, 'value' | 'onChange' | 'onBlur' | 'onKeyDown' | 'className'> & {
  className?: string | undefined;
  value: string;
  change: (typed: string) => void;
  /** What could stand at the end of the text; each takes the place of the text from its start on. */
  offered: readonly Completion[];
  finish: () => void;
  leave?: () => void;
  escape: () => void;
};

/**
 * A line of text that offers what could come next. Enter takes what is chosen, or the line; Escape gives it up. There
 * are many of these on a sheet: the list is there only while something is offered.
 */
export function CompletingInput({
  className,
  value,
  change,
  offered,
  finish,
  leave,
  escape,
  ...rest
}: Props) {
  const offers = offered.slice(0, mostOffered);
  const open = offers.length > 0;
  const store = useCombobox({ opened: open });
  const [active, setActive] = useState<string | null>(null);
  const list = useId();
  const typed = (text: string) => {
    setActive(null);
    store.resetSelectedOption();
    change(text);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (open && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      setActive(event.key === 'ArrowDown' ? store.selectNextOption() : store.selectPreviousOption());
    } else if (event.key === 'Enter') {
      if (open && active !== null) store.clickSelectedOption();
      else finish();
    } else if (event.key === 'Escape') escape();
  };
  return (
    <div className={`${classes.field} ${className ?? ''}`}>
      <TextInput
        {...rest}
        size="xs"
        classNames={{ input: 'number' }}
        role="combobox"
        aria-autocomplete="list"
        aria-expanded={open}
        aria-controls={open ? list : undefined}
        aria-activedescendant={open && active !== null ? active : undefined}
        autoComplete="off"
        value={value}
        onChange={(event) => typed(event.currentTarget.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
      {open && (
        <Combobox
          store={store}
          size="xs"
          width="max-content"
          position="bottom-start"
          onOptionSubmit={(at) => {
            const { text, start } = offers[Number(at)]!;
            typed(`${value.slice(0, start)}${text}${/[([.]$/.test(text) ? '' : ' '}`);
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
      )}
    </div>
  );
}
