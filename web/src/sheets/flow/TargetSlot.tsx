import type { Rule, State } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { OfferingInput, OfferList, useAsProse, Word } from '../../shared/index.ts';
import { targetChoices, targetOffers, type TargetOffer } from './sentences.ts';
import classes from './Flow.module.css';

interface Props {
  state: State;
  rule: Rule;
}

/** Where a rule leads: picked, or typed; a name that no state has makes one. */
export function TargetSlot({ state, rule }: Props) {
  const gadget = useDocument();
  const value = rule.targetIds[0] ?? '';
  const says = targetChoices(gadget, state.id).find((one) => one.value === value)?.label ?? '';
  if (useAsProse())
    return (
      <Word slot="Then" stage="state">
        {says}
      </Word>
    );
  return <Typed state={state} rule={rule} says={says} />;
}

function Typed({ state, rule, says }: Props & { says: string }) {
  const gadget = useDocument();
  const [typed, setTyped] = useState<string | null>(null);
  const [listed, setListed] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const offers = targetOffers(gadget, state.id, typed);
  const forget = () => {
    setTyped(null);
    setListed(false);
    setError(null);
  };
  const take = (offer: TargetOffer) => {
    const refused =
      'makes' in offer
        ? edit({ name: 'leadToNewState', args: [rule.id, offer.makes] })
        : edit({
            name: 'changeRule',
            args: [rule.id, { targetIds: offer.value === '' ? [] : [offer.value], internal: false }],
          });
    if (refused === null) forget();
    else setError(refused);
  };
  const finish = () => {
    const [first] = offers;
    if (typed !== null && typed.trim() !== '' && first) take(first);
    else forget();
  };
  return (
    <OfferingInput
      className={classes.target}
      aria-label="Then"
      value={typed ?? says}
      error={error}
      change={(text) => {
        setTyped(text);
        setListed(true);
      }}
      // What stands there is replaced by what is typed, and all others are in view.
      onFocus={(event) => {
        event.currentTarget.select();
        setListed(true);
      }}
      onClick={() => setListed(true)}
      finish={finish}
      leave={finish}
      escape={forget}
      offers={
        listed
          ? (given) => (
              <OfferList
                {...given}
                offers={offers.map(({ label }) => label)}
                about="Where it can lead"
                firstChosen={typed !== null && typed.trim() !== ''}
                take={(at) => take(offers[at]!)}
              />
            )
          : null
      }
    />
  );
}
