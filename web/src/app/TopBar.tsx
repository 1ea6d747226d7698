import { ActionIcon, Button, Tooltip } from '@mantine/core';
import {
  IconArrowBackUp,
  IconArrowForwardUp,
  IconDownload,
  IconHistory,
  IconKeyboard,
} from '@tabler/icons-react';
import { Link } from 'react-router';
import { edit, fileUrl, useDocument, useGadget, useHistory } from '../client/index.ts';
import { BarIcon, count, TextField, ThemeButton } from '../shared/index.ts';
import { useSnags } from '../snags/index.ts';
import { editWords } from '../words/index.ts';
import { SaveState } from './SaveState.tsx';
import classes from './TopBar.module.css';

interface TopBarProps {
  gadgetId: string;
  openSnags: () => void;
  openRevisions: () => void;
  openKeys: () => void;
}

export function TopBar({ gadgetId, openSnags, openRevisions, openKeys }: TopBarProps) {
  const { name } = useDocument();
  return (
    <section className={classes.bar} aria-label="This gadget">
      <Link to="/" className={classes.home} aria-label="Hum Lever: to the shelf">
        <img src="/favicon.svg" alt="" width={26} height={26} />
        <span>Hum Lever</span>
      </Link>
      <TextField
        key={gadgetId}
        className={classes.name!}
        size="sm"
        variant="unstyled"
        aria-label="Name of the gadget"
        value={name}
        commit={(typed) => edit({ name: 'renameGadget', args: [typed.trim()] })}
      />
      <SaveState />
      <UndoRedo />
      <SnagButton open={openSnags} />
      <BarIcon label="Revisions" icon={IconHistory} onClick={openRevisions} />
      <Tooltip label="Download the gadget as a file">
        <ActionIcon
          component="a"
          href={fileUrl(gadgetId)}
          variant="subtle"
          size="lg"
          aria-label="Download the gadget as a file"
        >
          <IconDownload size={19} stroke={1.7} />
        </ActionIcon>
      </Tooltip>
      <BarIcon label="Keys" icon={IconKeyboard} onClick={openKeys} />
      <ThemeButton />
    </section>
  );
}

function UndoRedo() {
  const { undo, redo, pastStates, futureStates } = useHistory((history) => history);
  const lastEdit = useGadget((state) => state.lastEdit);
  const next = futureStates.at(-1)?.lastEdit;
  return (
    <>
      <BarIcon
        label={lastEdit && pastStates.length > 0 ? `Undo ${editWords[lastEdit]}` : 'Nothing to undo'}
        icon={IconArrowBackUp}
        onClick={() => undo()}
        disabled={pastStates.length === 0}
      />
      <BarIcon
        label={next ? `Redo ${editWords[next]}` : 'Nothing to redo'}
        icon={IconArrowForwardUp}
        onClick={() => redo()}
        disabled={futureStates.length === 0}
      />
    </>
  );
}

function SnagButton({ open }: { open: () => void }) {
  const report = useSnags((state) => state.report);
  const found = report?.snags.length ?? 0;
  const stop = report?.snags.some(({ level }) => level === 'stop') ?? false;
  return (
    <Button
      variant="default"
      size="compact-md"
      className={classes.snags!}
      data-stop={stop || undefined}
      onClick={open}
    >
      {report === null ? 'Snags' : found === 0 ? 'No snags' : count(found, 'snag')}
    </Button>
  );
}
