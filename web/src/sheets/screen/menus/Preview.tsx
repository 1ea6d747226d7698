import { madeFor, type Menu } from '@hum-lever/core';
import { usePlayed } from '../../../client/index.ts';
import { Glass } from '../../../outputs/screen/Glass.tsx';
import { usePlayer } from '../../../workers/index.ts';
import { useTried } from '../useTried.ts';
import classes from './Menus.module.css';

/** The page that an item, or the list it is in, draws on a display of pixels; while the menu is in hand, as it is there. */
export function Preview({ menu, chosen }: { menu: Menu; chosen: string | null }) {
  const gadget = usePlayed();
  const shownId = usePlayer(({ shown }) => {
    const output = menu.outputId === null ? undefined : shown?.outputs[menu.outputId];
    return output?.kind === 'screen' ? output.glass.pageId : null;
  });
  const screen = gadget.outputs.find(({ id }) => id === menu.outputId);
  const owners = new Set([menu.id, ...menu.items.map(({ id }) => id)]);
  const inHand = shownId !== null && owners.has(madeFor(shownId) ?? '');
  const item = menu.items.find(({ id }) => id === chosen);
  const wanted = [
    inHand ? shownId : null,
    item && `${item.id}n`,
    item?.parentId && `${item.parentId}n`,
    `${menu.id}n`,
  ];
  const page = wanted.flatMap((id) => gadget.pages.find((one) => one.id === id) ?? [])[0];
  if (screen?.kind !== 'screen' || !page) return null;
  return (
    <figure className={classes.preview}>
      <Tried page={page} screen={screen} inHand={inHand} />
      <figcaption>{inHand ? `${page.name}, in hand` : page.name}</figcaption>
    </figure>
  );
}

function Tried({
  page,
  screen,
  inHand,
}: {
  page: Parameters<typeof useTried>[0];
  screen: Parameters<typeof Glass>[0]['screen'];
  inHand: boolean;
}) {
  const { drawn } = useTried(page, inHand ? 'hand' : 'start');
  return <Glass screen={screen} drawn={drawn} label={`Page ${page.name}`} />;
}
