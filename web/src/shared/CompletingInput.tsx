import type { Gadget } from '@hum-lever/core';
import { lazy } from 'react';
import { OfferingInput, type OfferingProps } from './OfferingInput.tsx';
import type { Language } from './Offers.tsx';

const Offers = lazy(() => import('./Offers.tsx'));

/** A line of text that offers what could come next, while it is typed. */
export function CompletingInput({
  language,
  gadget,
  typing,
  ...rest
}: OfferingProps & { language: Language; gadget: Gadget; typing: boolean }) {
  const { value, change } = rest;
  return (
    <OfferingInput
      {...rest}
      classNames={{ input: 'number' }}
      offers={
        typing
          ? (given) => <Offers {...given} language={language} gadget={gadget} typed={value} change={change} />
          : null
      }
    />
  );
}
