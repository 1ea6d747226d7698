import '@mantine/spotlight/styles.layer.css';
import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { Spotlight, spotlight, type SpotlightActionData } from '@mantine/spotlight';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { fileUrl, useGadget, useHistory } from '../client/index.ts';
import { setMuted, useSound } from '../inhand/index.ts';
import { player } from '../workers/index.ts';
import { sheets } from './sheets.ts';

interface CommandsProps {
  gadgetId: string;
  openSnags: () => void;
  openRevisions: () => void;
  openKeys: () => void;
  toHand: () => void;
}

/** Everything that can be done from anywhere, by name. */
export default function Commands({ gadgetId, openSnags, openRevisions, openKeys, toHand }: CommandsProps) {
  // Comes only when first asked for, so it opens at once; from then on it has its own key.
  useEffect(() => spotlight.open(), []);
  const navigate = useNavigate();
  const { undo, redo } = useHistory((history) => history);
  const { setColorScheme } = useMantineColorScheme();
  const dark = useComputedColorScheme('light') === 'dark';
  const muted = useSound((state) => state.muted);
  const command = (label: string, onClick: () => void): SpotlightActionData => ({
    id: label,
    label,
    onClick,
  });
  const actions = [
    ...sheets.map(({ id, title }) => command(`Go to ${title}`, () => void navigate(`/g/${gadgetId}/${id}`))),
    command('Go to the shelf', () => void navigate('/')),
    command('Take the gadget in hand', toHand),
    command('Switch the gadget off and on', () => player.load(useGadget.getState().document!)),
    command('Pause time', player.pause),
    command('Let time run', player.run),
    command('Undo', () => undo()),
    command('Redo', () => redo()),
    command('Show the snags', openSnags),
    command('Show the revisions', openRevisions),
    command('Show the keys', openKeys),
    command('Download the gadget as a file', () => window.location.assign(fileUrl(gadgetId))),
    command(muted ? 'Sound on' : 'Mute', () => setMuted(!muted)),
    command(dark ? 'Daylight colours' : 'Night market colours', () =>
      setColorScheme(dark ? 'light' : 'dark'),
    ),
  ];
  return (
    <Spotlight
      actions={actions}
      shortcut={['mod + K']}
      nothingFound="No command of that name"
      highlightQuery
      searchProps={{ placeholder: 'What shall be done?', 'aria-label': 'Command' }}
    />
  );
}
