import '../../shared/styles/dialog.css';
import { ActionIcon, Button, Modal, Text, TextInput, UnstyledButton } from '@mantine/core';
import { IconSearch, IconTrash } from '@tabler/icons-react';
import { useMutation } from '@tanstack/react-query';
import { addOwnPartEdit, addPartsEdit, partGroups, type Edit, type OwnClass } from '@hum-lever/core';
import { Suspense, useState } from 'react';
import { api, edit, keys, queryClient, useDocument, useDrawer, useGadget } from '../../client/index.ts';
import { count, showMoney, onDemand } from '../../shared/index.ts';
import { partGroupWords } from '../../words/index.ts';
import { findKinds, isSought, readNumber } from './find.ts';
import classes from './Parts.module.css';

const OwnPart = onDemand(() => import('./OwnPart.tsx'));

/** The catalogue: every class of part, found by a few letters; Enter takes the first. */
export default function Catalogue({ close }: { close: (addedId: string | null) => void }) {
  const gadget = useDocument();
  const [sought, setSought] = useState('');
  const [added, setAdded] = useState<string | null>(null);
  const [addedId, setAddedId] = useState<string | null>(null);
  const { howMany, sought: word } = readNumber(sought);
  const { found, nearest } = findKinds(word);
  const [describing, setDescribing] = useState(false);
  const add = (made: Edit, title: string): string | null => {
    const refused = edit(made);
    setAdded(refused ?? `${title} added.`);
    if (refused === null) setAddedId(useGadget.getState().document!.parts.at(-1)!.id);
    return refused;
  };
  const times = (title: string) => (howMany === 1 ? title : `${howMany} × ${title}`);
  const take = (kindId: string, title: string) => add(addPartsEdit(gadget, kindId, howMany), times(title));
  if (describing)
    return (
      <Suspense fallback={null}>
        <OwnPart
          from={null}
          take={(own) => add(addOwnPartEdit(gadget, own), own.title)}
          close={() => setDescribing(false)}
        />
      </Suspense>
    );
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
          placeholder="button, 3 lights, encoder, charger …"
          leftSection={<IconSearch size={16} aria-hidden />}
          value={sought}
          onChange={(event) => setSought(event.currentTarget.value)}
        />
      </form>
      <Text size="sm" role="status" className={classes.added!}>
        {added ??
          (nearest
            ? `${count(found.length, 'class', 'classes')}. Enter adds ${times(nearest.title)}, a click adds any; the list stays open.`
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
        {found.length === 0 && (
          <p>Nothing of the catalogue is called that. Try another word, or describe it from its sheet.</p>
        )}
        <Drawer sought={word} take={(own) => add(addOwnPartEdit(gadget, own), own.title)} />
      </div>
      <Button variant="default" onClick={() => setDescribing(true)}>
        Describe a part that is not here…
      </Button>
    </Modal>
  );
}

/** Parts that were described before and kept for the next gadgets. */
function Drawer({ sought, take }: { sought: string; take: (own: OwnClass) => void }) {
  const { currency } = useDocument().bill;
  const { data } = useDrawer();
  const remove = useMutation({
    mutationFn: api.takeFromDrawer,
    onSettled: () => queryClient.invalidateQueries({ queryKey: keys.drawer }),
  });
  const found = (data ?? []).filter(({ own }) => isSought(own, sought));
  if (found.length === 0) return null;
  return (
    <section aria-label="In your drawer">
      <h3>In your drawer</h3>
      <ul>
        {found.map(({ id, own }) => (
          <li key={id} className={classes.kept}>
            <UnstyledButton className={classes.kindButton!} onClick={() => take(own)}>
              <strong>{own.title}</strong>
              <span className="number">{showMoney(own.priceCents, currency)}</span>
              <span className="soft">{own.doc}</span>
            </UnstyledButton>
            <ActionIcon
              variant="subtle"
              aria-label={`Take ${own.title} out of the drawer`}
              onClick={() => remove.mutate(id)}
            >
              <IconTrash size={16} stroke={1.7} />
            </ActionIcon>
          </li>
        ))}
      </ul>
    </section>
  );
}
