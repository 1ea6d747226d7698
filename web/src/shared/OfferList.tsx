import { Combobox, useCombobox } from '@mantine/core';
import { useEffect, useImperativeHandle, useState, type Ref } from 'react';
import classes from './CompletingInput.module.css';

/** What the keys of the field do to the list. */
export interface OffersHand {
  move(by: 1 | -1): void;
  /** @returns whether one was chosen to be taken */
  take(): boolean;
}

/** What a field gives its list. */
export interface OfferListHand {
  /** Id that the list has. */
  list: string;
  hand: Ref<OffersHand>;
  /** The id of the offer that is chosen; null: none. undefined: there is no list. */
  tell: (active: string | null | undefined) => void;
}

/** Offers as a list under their field. Renders nothing where there are none. */
export default function OfferList({
  offers,
  about,
  firstChosen = false,
  written = false,
  take,
  list,
  hand,
  tell,
}: OfferListHand & {
  offers: readonly string[];
  about: string;
  /** Enter takes the first, as long as no other is gone to. */
  firstChosen?: boolean;
  /** They are of a language that is typed, not words to read. */
  written?: boolean;
  take: (at: number) => void;
}) {
  const first = firstChosen ? 0 : null;
  const [chosen, setChosen] = useState(first);
  const open = offers.length > 0;
  const store = useCombobox({ opened: open });
  const [shown, setShown] = useState(offers);
  if (shown !== offers && shown.join('\n') !== offers.join('\n')) {
    setShown(offers);
    setChosen(first);
  }
  const idOf = (at: number) => `${list}-${at}`;
  const active = !open ? undefined : chosen === null ? null : idOf(chosen);
  useImperativeHandle(hand, () => ({
    move: (by) => {
      if (!open) return;
      const last = offers.length - 1;
      setChosen((at) => (at === null ? (by > 0 ? 0 : last) : (at + by + last + 1) % (last + 1)));
    },
    take: () => {
      if (!open || chosen === null) return false;
      take(chosen);
      return true;
    },
  }));
  useEffect(() => {
    tell(active);
    if (active) document.getElementById(active)?.scrollIntoView({ block: 'nearest' });
    // `tell` does the same whenever it is made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [active]);
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
      onOptionSubmit={(at) => take(Number(at))}
    >
      <Combobox.DropdownTarget>
        <span className={classes.anchor} />
      </Combobox.DropdownTarget>
      <Combobox.Dropdown>
        <Combobox.Options id={list} className={classes.offers!} aria-label={about}>
          {offers.map((text, at) => (
            <Combobox.Option
              key={text}
              id={idOf(at)}
              value={String(at)}
              className={written ? 'number' : undefined}
              data-combobox-selected={at === chosen || undefined}
              aria-selected={at === chosen}
            >
              {text}
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}
