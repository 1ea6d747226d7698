import { TextInput, type TextInputProps } from '@mantine/core';
import type { Gadget } from '@hum-lever/core';
import { lazy, Suspense, useId, useRef, useState, type KeyboardEvent } from 'react';
import type { Language, OffersHand } from './Offers.tsx';
import classes from './CompletingInput.module.css';

const Offers = lazy(() => import('./Offers.tsx'));

type Props = Omit<TextInputProps, 'value' | 'onChange' | 'onBlur' | 'onKeyDown' | 'className'> & {
  className?: string | undefined;
  value: string;
  change: (typed: string) => void;
  language: Language;
  gadget: Gadget;
  /** Whether it is being typed: only then is anything offered. */
  typing: boolean;
  finish: () => void;
  leave?: () => void;
  escape: () => void;
};

/**
 * A line of text that offers what could come next. Enter takes what is chosen, or the line; Escape gives it up. There
 * are many of these on a sheet: the list is there only while one is typed in.
 */
export function CompletingInput({
  className,
  value,
  change,
  language,
  gadget,
  typing,
  finish,
  leave,
  escape,
  ...rest
}: Props) {
  const hand = useRef<OffersHand>(null);
  const [told, setTold] = useState<string | null | undefined>(undefined);
  const active = typing ? told : undefined;
  const list = useId();
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (active !== undefined && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      hand.current?.move(event.key === 'ArrowDown' ? 1 : -1);
    } else if (event.key === 'Enter') {
      if (!hand.current?.take()) finish();
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
        aria-expanded={active !== undefined}
        aria-controls={active === undefined ? undefined : list}
        aria-activedescendant={active ?? undefined}
        autoComplete="off"
        value={value}
        onChange={(event) => change(event.currentTarget.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
      {typing && (
        <Suspense fallback={null}>
          <Offers
            language={language}
            gadget={gadget}
            typed={value}
            list={list}
            hand={hand}
            change={change}
            tell={setTold}
          />
        </Suspense>
      )}
    </div>
  );
}
