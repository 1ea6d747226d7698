import '@mantine/core/styles/Anchor.layer.css';
import '../shared/styles/dialog.css';
import { Anchor, Button, Drawer, TextInput } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import {
  api,
  followHead,
  keys,
  saveNow,
  useKept,
  useRevisions,
  useSync,
  type RevisionSummary,
} from '../client/index.ts';
import { count, showBytes, showDate } from '../shared/index.ts';
import classes from './RevisionDrawer.module.css';

/** Every save of the gadget: name those that matter, bring any of them back. */
export function RevisionDrawer({ id, opened, close }: { id: string; opened: boolean; close: () => void }) {
  const { data, error, refetch } = useRevisions(id);
  const kept = useKept(id, opened);
  const again = kept.refetch;
  const base = useSync((state) => state.base);
  useEffect(() => {
    if (opened) void Promise.all([refetch(), again()]);
  }, [opened, base, refetch, again]);
  return (
    <Drawer
      opened={opened}
      onClose={close}
      position="right"
      size={440}
      title="Revisions"
      closeButtonProps={{ 'aria-label': 'Close revisions' }}
    >
      <p className={classes.about}>
        Every save is a revision. The newest, those with a name and those that a trial ran on stay for good;
        the others thin out with age. Bringing one back puts it on top as a new one.
      </p>
      {kept.data && (
        <p className="soft">
          {kept.data.revisions} of {count(kept.data.saved, 'save')} kept, {showBytes(kept.data.bytes)}.
        </p>
      )}
      {error && <p role="alert">{error.message}</p>}
      <ul className={classes.list}>
        {data?.map((revision) => (
          <Revision key={revision.revision} id={id} revision={revision} newest={revision.revision === base} />
        ))}
      </ul>
    </Drawer>
  );
}

function Revision({ id, revision, newest }: { id: string; revision: RevisionSummary; newest: boolean }) {
  const client = useQueryClient();
  const [name, setName] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      setFailure(null);
      await work();
      await client.invalidateQueries({ queryKey: keys.revisions(id) });
    } catch (error) {
      setFailure((error as Error).message);
    }
  };
  const keepName = () => {
    if (name === null || name === (revision.name ?? '')) return setName(null);
    void attempt(async () => {
      await api.nameRevision(id, revision.revision, name.trim() === '' ? null : name.trim());
      setName(null);
    });
  };
  const bringBack = () =>
    attempt(async () => {
      if ((await saveNow()) === null)
        throw new Error('What is on the bench is not saved yet; wait until it is, then try again.');
      followHead(await api.restoreRevision(id, revision.revision));
    });
  return (
    <li className={`card ${classes.revision}`}>
      <span className="number">{revision.revision}</span>
      <div>
        <TextInput
          size="xs"
          aria-label={`Name of revision ${revision.revision}`}
          placeholder="Give it a name"
          value={name ?? revision.name ?? ''}
          error={failure}
          onChange={(event) => setName(event.currentTarget.value)}
          onBlur={keepName}
          onKeyDown={(event) => event.key === 'Enter' && keepName()}
        />
        <p className={classes.facts}>
          {showDate(revision.savedAt)}
          {revision.restoredFrom !== null && `, brought back from ${revision.restoredFrom}`}
        </p>
        <div className={classes.actions}>
          {newest ? (
            <span className="soft">on the bench now</span>
          ) : (
            <Button size="compact-sm" variant="default" onClick={() => void bringBack()}>
              Bring back
            </Button>
          )}
          <Anchor size="sm" href={`/api/gadgets/${id}/file?revision=${revision.revision}`}>
            Download
          </Anchor>
        </div>
      </div>
    </li>
  );
}
