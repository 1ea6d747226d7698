import type { Gadget } from '@hum-lever/core';
import { OfferingInput, type OfferingProps } from './OfferingInput.tsx';
import { optional } from './onDemand.tsx';
import type { Language } from './Offers.tsx';

const Offers = optional(() => import('./Offers.tsx'));

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
