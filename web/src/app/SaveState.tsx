import { Tooltip } from '@mantine/core';
import { IconAlertTriangle, IconCheck, IconCloudOff, IconPencil } from '@tabler/icons-react';
import { useSync, type SyncStatus } from '../client/index.ts';
import classes from './TopBar.module.css';

const words: Record<
  SyncStatus['kind'],
  { icon: typeof IconCheck; text: (revision: number) => string; bad?: true }
> = {
  saved: { icon: IconCheck, text: (revision) => `Saved as ${revision}` },
  unsaved: { icon: IconPencil, text: () => 'Unsaved' },
  saving: { icon: IconPencil, text: () => 'Saving' },
  away: { icon: IconCloudOff, text: () => 'Server away, kept here', bad: true },
  conflict: { icon: IconAlertTriangle, text: () => 'Two versions', bad: true },
  refused: { icon: IconAlertTriangle, text: () => 'Not saved', bad: true },
};

function moreWords(status: SyncStatus): string {
  if (status.kind === 'refused') return status.message;
  if (status.kind !== 'away') return 'Changes save themselves. Every save is a revision.';
  const again = Math.round(status.retryMs / 1_000);
  return `${status.message} Your work is kept in this browser; it is tried again ${again > 1 ? `in ${again} seconds` : 'now'}.`;
}

/** Where the document stands, always in view. */
export function SaveState() {
  const { status, base } = useSync();
  const { icon: Icon, text, bad } = words[status.kind];
  const more = moreWords(status);
  return (
    <Tooltip label={more} multiline maw={320}>
      <span className={classes.state} role="status" data-bad={bad}>
        <Icon size={16} stroke={1.8} aria-hidden />
        {text(base)}
      </span>
    </Tooltip>
  );
}
