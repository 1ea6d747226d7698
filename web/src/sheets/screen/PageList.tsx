import { ActionIcon, Menu } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { firstPage, type DisplayShown, type Page, type Screen, type TextDisplay } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { OnDisplay } from '../../outputs/screen/OnDisplay.tsx';
import { TextField, usePlace } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import { usePlayer } from '../../workers/index.ts';
import { glassOf, useTried } from './useTried.ts';
import classes from './Screen.module.css';

/** Pages of a display as they are first seen in the flow, or come out at first where they are not, to be chosen, named, ordered. */
export function PageList({
  screen,
  pages,
  moments,
  chosen,
  choose,
}: {
  screen: Screen | TextDisplay;
  pages: readonly Page[];
  /** In the flow, in which its display shows something. */
  moments: readonly DisplayShown[];
  chosen: string;
  choose: (pageId: string) => void;
}) {
  return (
    <ol className={classes.pages} aria-label={`Pages of ${screen.name}`}>
      {pages.map((page, at) => (
        <PageItem
          key={page.id}
          screen={screen}
          page={page}
          moment={momentsOf(moments, page)[0]}
          at={at}
          last={at === pages.length - 1}
          chosen={page.id === chosen}
          choose={() => choose(page.id)}
        />
      ))}
    </ol>
  );
}

/** Those in which a page is seen. */
export const momentsOf = (moments: readonly DisplayShown[], { id }: Page): DisplayShown[] =>
  moments.filter(({ shows }) => shows.kind !== 'lights' && shows.glass.pageId === id);

function PageItem({
  screen,
  page,
  moment,
  at,
  last,
  chosen,
  choose,
}: {
  screen: Screen | TextDisplay;
  page: Page;
  moment: DisplayShown | undefined;
  at: number;
  last: boolean;
  chosen: boolean;
  choose: () => void;
}) {
  const { drawn } = useTried(page, moment ?? 'start');
  const { id, className } = usePlace(page.id);
  const seen = usePlayer(({ shown }) => {
    return glassOf(shown?.outputs[screen.id])?.pageId === page.id;
  });
  const shows = useShows(page.id);
  const first = firstPage(useDocument(), screen.id) === page.id;
  return (
    <li id={id} className={className} data-chosen={chosen || undefined}>
      <button
        type="button"
        className={classes.thumb}
        aria-label={`Page ${page.name}`}
        aria-pressed={chosen}
        onClick={choose}
      >
        <OnDisplay display={screen} drawn={drawn} />
      </button>
      <div className={classes.pageName}>
        <TextField
          size="xs"
          variant="unstyled"
          aria-label={`Name of page ${at + 1}`}
          value={page.name}
          commit={(name) => edit({ name: 'renamePage', args: [page.id, name] })}
        />
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon size="sm" variant="subtle" aria-label={`More for page ${page.name}`}>
              <IconDots size={16} />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item disabled={at === 0} onClick={() => edit({ name: 'movePage', args: [page.id, -1] })}>
              Earlier: the first is shown at power-up
            </Menu.Item>
            <Menu.Item disabled={last} onClick={() => edit({ name: 'movePage', args: [page.id, 1] })}>
              Later
            </Menu.Item>
            <Menu.Item
              onClick={() =>
                edit({ name: 'addPage', args: [page.outputId, `${page.name.slice(0, 70)} 2`, page.elements] })
              }
            >
              Another like it
            </Menu.Item>
            <Menu.Item
              onClick={() => edit({ name: 'layPageOver', args: [page.id, page.over === null ? '1' : null] })}
            >
              {page.over === null
                ? 'Lay it over the others: a notice, a sign'
                : 'A page like the others again'}
            </Menu.Item>
            <Menu.Item onClick={() => edit({ name: 'removePage', args: [page.id] })}>Remove</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </div>
      {page.over === null ? (
        <p className={classes.pageWhen} data-seen={seen || undefined}>
          {seen ? 'on the display now' : first ? 'at power-up' : (shows ?? 'nothing shows it')}
        </p>
      ) : (
        <div className={classes.pageWhen}>
          over the others while
          <ExpressionSlot
            label={`When ${page.name} lies over the others`}
            value={page.over}
            commit={(over) => edit({ name: 'layPageOver', args: [page.id, over] })}
          />
        </div>
      )}
    </li>
  );
}

/** The state that shows a page, in words; null: none does. */
function useShows(pageId: string): string | null {
  const { states } = useDocument().flow;
  const shows = (actions: readonly { kind: string }[]) =>
    actions.some(
      (action) => action.kind === 'showPage' && (action as { pageId?: unknown }).pageId === pageId,
    );
  const entered = states.filter(({ entry }) => shows(entry)).map(({ name }) => name);
  if (entered.length > 0) return `in ${entered.join(', ')}`;
  const ruled = states.filter(
    ({ rules, exit }) => shows(exit) || rules.some(({ actions }) => shows(actions)),
  );
  return ruled.length > 0 ? `by ${ruled.map(({ name }) => name).join(', ')}` : null;
}
