import { ActionIcon, Button, Menu, TextInput } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, fileUrl, type GadgetSummary } from '../client/index.ts';
import { showDate } from '../shared/index.ts';
import classes from './Shelf.module.css';

/** One gadget on the shelf, or in the bin. */
export function Row({
  gadget,
  open,
  refresh,
}: {
  gadget: GadgetSummary;
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
        <span className={classes.facts}>
          {gadget.binnedAt === null ? (
            <>
              revision <span className="number">{gadget.revision}</span>, saved {showDate(gadget.savedAt)}
            </>
          ) : (
            `put into the bin ${showDate(gadget.binnedAt)}`
          )}
        </span>
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
