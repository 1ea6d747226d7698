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

/** Where the document stands, always in view. */
export function SaveState() {
  const { status, base } = useSync();
  const { icon: Icon, text, bad } = words[status.kind];
  const more =
    status.kind === 'refused' ? status.message : 'Changes save themselves. Every save is a revision.';
  return (
    <Tooltip label={more} multiline maw={320}>
      <span className={classes.state} role="status" data-bad={bad}>
        <Icon size={16} stroke={1.8} aria-hidden />
        {text(base)}
      </span>
    </Tooltip>
  );
}
