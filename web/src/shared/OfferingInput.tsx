import { TextInput, type TextInputProps } from '@mantine/core';
import { Suspense, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { optional } from './onDemand.tsx';
import type { OfferListHand, OffersHand } from './OfferList.tsx';
import classes from './CompletingInput.module.css';

export const OfferList = optional(() => import('./OfferList.tsx'));

export type OfferingProps = Omit<
  TextInputProps,
  'value' | 'onChange' | 'onBlur' | 'onKeyDown' | 'className'
> & {
  className?: string | undefined;
  value: string;
  change: (typed: string) => void;
  finish: () => void;
  leave?: () => void;
  escape: () => void;
};

/**
 * A line of text with a list under it. Enter takes what is chosen in it, or the line; Escape gives it up. There are
 * many of these on a sheet: the list is there only while one is written in.
 */
export function OfferingInput({
  className,
  value,
  change,
  offers,
  finish,
  leave,
  escape,
  ...rest
}: OfferingProps & {
  /** The list; null: none is wanted now. */
  offers: ((given: OfferListHand) => ReactNode) | null;
}) {
  const hand = useRef<OffersHand>(null);
  const [told, setTold] = useState<string | null | undefined>(undefined);
  const active = offers ? told : undefined;
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
      {offers && <Suspense fallback={null}>{offers({ list, hand, tell: setTold })}</Suspense>}
    </div>
  );
}
