import '../shared/styles/dialog.css';
import '@mantine/spotlight/styles.layer.css';
import { useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import {
  Spotlight,
  spotlight,
  type SpotlightActionData,
  type SpotlightFilterFunction,
} from '@mantine/spotlight';
import { useEffect, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { fileUrl, useDocument, useGadget, useHistory, useTrials } from '../client/index.ts';
import { setMuted, useSound } from '../inhand/index.ts';
import { goTo } from '../shared/index.ts';
import { useSnags } from '../snags/index.ts';
import { player } from '../workers/index.ts';
import { doable, views } from './doable.ts';
import { pressNamed } from './pressNamed.ts';
import { reachableOf } from './reachable.ts';
import { sheets } from './sheets.ts';

interface CommandsProps {
  gadgetId: string;
  openSnags: () => void;
  openRevisions: () => void;
  openKeys: () => void;
  toHand: () => void;
}

/** So many are shown of what is looked for. */
const mostShown = 40;

/** All the words that were typed, in any order; before any was, what can be done and nothing of the gadget. */
const found: SpotlightFilterFunction = (query, actions) => {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return actions.filter(
    (one) =>
      'label' in one &&
      (words.length > 0
        ? words.every((word) => one.label!.toLowerCase().includes(word))
        : one.keywords === undefined),
  );
};

/** Everything that can be done, and everything that the gadget has, by name. */
export default function Commands({ gadgetId, openSnags, openRevisions, openKeys, toHand }: CommandsProps) {
  // Comes only when first asked for, so it opens at once; from then on it has its own key.
  useEffect(() => spotlight.open(), []);
  const navigate = useNavigate();
  const { undo, redo } = useHistory((history) => history);
  const { setColorScheme } = useMantineColorScheme();
  const dark = useComputedColorScheme('light') === 'dark';
  const muted = useSound((state) => state.muted);
  const gadget = useDocument();
  const report = useSnags((state) => state.report);
  const { data: trials } = useTrials(gadgetId);
  const reachable = useMemo(
    () => reachableOf(gadget, report?.snags ?? [], trials ?? []),
    [gadget, report, trials],
  );
  const to = (path: string) => void navigate(`/g/${gadgetId}/${path}`);
  const command = (label: string, onClick: () => void): SpotlightActionData => ({
    id: label,
    label,
    onClick,
  });
  const actions = [
    ...sheets.map(({ id, title }) => command(`Go to ${title}`, () => to(id))),
    ...sheets.flatMap(({ id, title }) => [
      ...Object.entries(views[id] ?? {}).map(([view, search]) =>
        command(`Go to ${title}: ${view}`, () => to(id + search)),
      ),
      ...doable[id].map((names) =>
        command(`${title}: ${names.at(-1)}`, () => {
          to(id);
          pressNamed(names);
        }),
      ),
    ]),
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
  const places = reachable.map(({ id, label, path, place }): SpotlightActionData => {
    return {
      id,
      label,
      // Of the gadget: not shown until it is looked for.
      keywords: 'gadget',
      onClick: () => {
        to(path);
        goTo(place);
      },
    };
  });
  return (
    <Spotlight
      actions={[...actions, ...places]}
      filter={found}
      limit={mostShown}
      scrollable
      maxHeight="60vh"
      shortcut={['mod + K']}
      nothingFound="No command of that name"
      highlightQuery
      searchProps={{ placeholder: 'What shall be done?', 'aria-label': 'Command' }}
    />
  );
}
