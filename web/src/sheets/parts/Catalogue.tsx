import '../../shared/styles/dialog.css';
import { Modal, Text, TextInput, UnstyledButton } from '@mantine/core';
import { IconSearch } from '@tabler/icons-react';
import { addPartEdit, partGroups } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument, useGadget } from '../../client/index.ts';
import { count, showMoney } from '../../shared/index.ts';
import { partGroupWords } from '../../words/index.ts';
import { findKinds } from './find.ts';
import classes from './Parts.module.css';

/** The catalogue: every class of part, found by a few letters; Enter takes the first. */
export default function Catalogue({ close }: { close: (addedId: string | null) => void }) {
  const gadget = useDocument();
  const [sought, setSought] = useState('');
  const [added, setAdded] = useState<string | null>(null);
  const [addedId, setAddedId] = useState<string | null>(null);
  const { found, nearest } = findKinds(sought);
  const take = (kindId: string, title: string) => {
    const refused = edit(addPartEdit(gadget, kindId));
    setAdded(refused ?? `${title} added.`);
    if (refused === null) setAddedId(useGadget.getState().document!.parts.at(-1)!.id);
  };
  return (
    <Modal
      opened
      onClose={() => close(addedId)}
      // What was made last is looked at next.
      returnFocus={addedId === null}
      title="Add a part"
      size={680}
      closeButtonProps={{ 'aria-label': 'Close the catalogue' }}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (nearest) take(nearest.id, nearest.title);
        }}
      >
        <TextInput
          data-autofocus
          aria-label="Find a part"
          placeholder="button, light, encoder, charger …"
          leftSection={<IconSearch size={16} aria-hidden />}
          value={sought}
          onChange={(event) => setSought(event.currentTarget.value)}
        />
      </form>
      <Text size="sm" role="status" className={classes.added!}>
        {added ??
          (nearest
            ? `${count(found.length, 'class', 'classes')}. Enter adds ${nearest.title}, a click adds any; the list stays open.`
            : 'No class goes by that word.')}
      </Text>
      <div className={classes.catalogue}>
        {partGroups.map((group) => {
          const kinds = found.filter((kind) => kind.group === group);
          if (kinds.length === 0) return null;
          return (
            <section key={group} aria-label={partGroupWords[group]!}>
              <h3>{partGroupWords[group]}</h3>
              <ul>
                {kinds.map(({ id, title, doc, priceCents }) => (
                  <li key={id}>
                    <UnstyledButton className={classes.kindButton!} onClick={() => take(id, title)}>
                      <strong>{title}</strong>
                      <span className="number">{showMoney(priceCents, gadget.bill.currency)}</span>
                      <span className="soft">{doc}</span>
                    </UnstyledButton>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        {found.length === 0 && <p>Nothing of that kind. Try another word for it.</p>}
      </div>
    </Modal>
  );
}
