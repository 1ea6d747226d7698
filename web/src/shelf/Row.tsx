import { ActionIcon, Button, Menu, TextInput } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { useMutation } from '@tanstack/react-query';
import { Suspense, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, fileUrl, usePortrait, type ShelfGadget } from '../client/index.ts';
import { useNear, onDemand } from '../shared/index.ts';
import { showAgo } from './ago.ts';
import { Facts } from './Facts.tsx';
import classes from './Shelf.module.css';

const Portrait = onDemand(() =>
  import('../inhand/Portrait.tsx').then((module) => ({ default: module.Portrait })),
);

/** The gadget itself, once it is seen and known. */
function Picture({ gadget: { id, card } }: { gadget: ShelfGadget }) {
  const place = useRef<HTMLDivElement>(null);
  const near = useNear(place, false);
  const { data } = usePortrait(id, card?.revision ?? null, near);
  return (
    <div ref={place} className={classes.picture}>
      {data && (
        <Suspense>
          <Portrait {...data.portrait} />
        </Suspense>
      )}
    </div>
  );
}

/** One gadget on the shelf, or in the bin. */
export function Row({
  gadget,
  nowMs,
  open,
  refresh,
}: {
  gadget: ShelfGadget;
  nowMs: number;
  open: () => void;
  refresh: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const act = useMutation({ mutationFn: (work: () => Promise<unknown>) => work(), onSettled: refresh });
  const rename = () => {
    const name = typed?.trim() ?? '';
    setTyped(null);
    if (name !== '' && name !== gadget.name) act.mutate(() => api.rename(gadget.id, name));
  };
  return (
    <li className={`card ${classes.row}`}>
      <Picture gadget={gadget} />
      <div className={classes.words}>
        {typed !== null ? (
          <TextInput
            autoFocus
            size="xs"
            aria-label="New name"
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
            onBlur={rename}
            onKeyDown={(event) => {
              if (event.key === 'Enter') rename();
              if (event.key === 'Escape') setTyped(null);
            }}
          />
        ) : gadget.binnedAt !== null ? (
          <span className={classes.name}>{gadget.name}</span>
        ) : (
          <Link className={classes.name} to={`/g/${gadget.id}/flow`}>
            {gadget.name}
          </Link>
        )}
        {gadget.binnedAt === null ? (
          <Facts gadget={gadget} nowMs={nowMs} />
        ) : (
          <span className={classes.facts}>put into the bin {showAgo(gadget.binnedAt, nowMs)}</span>
        )}
        {act.error && <span role="alert">{act.error.message}</span>}
      </div>
      {gadget.binnedAt !== null ? (
        <Button variant="default" onClick={() => act.mutate(() => api.unbin(gadget.id))}>
          Take out
        </Button>
      ) : (
        <>
          <Button variant="default" onClick={open}>
            Open
          </Button>
          <Menu position="bottom-end" returnFocus={false}>
            <Menu.Target>
              <ActionIcon variant="subtle" size="lg" aria-label={`More for ${gadget.name}`}>
                <IconDots size={18} />
              </ActionIcon>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={() => setTyped(gadget.name)}>Rename</Menu.Item>
              <Menu.Item onClick={() => act.mutate(() => api.duplicate(gadget.id))}>Duplicate</Menu.Item>
              <Menu.Item component="a" href={fileUrl(gadget.id)}>
                Download
              </Menu.Item>
              <Menu.Item onClick={() => act.mutate(() => api.bin(gadget.id))}>Put into the bin</Menu.Item>
            </Menu.Dropdown>
          </Menu>
        </>
      )}
    </li>
  );
}
