import { Menu } from '@mantine/core';
import { usesOf, type Gadget, type Place } from '@hum-lever/core';
import { useNavigate } from 'react-router';
import { useDocument } from '../../client/index.ts';
import { count, goTo } from '../../shared/index.ts';
import classes from './Flow.module.css';

/** So many are listed; who uses something more often will not look for one of them here. */
const listed = 20;

const onScreen: ReadonlySet<Place['kind']> = new Set(['page', 'picture', 'font', 'menu']);

/** Where something is used, for people. */
export function placeWords(gadget: Gadget, { kind, id }: Pick<Place, 'kind' | 'id'>): string {
  for (const state of gadget.flow.states) {
    if (kind === 'state' && state.id === id) return state.name;
    const at = state.rules.findIndex((rule) => rule.id === id);
    if (at >= 0) return `${state.name}, rule ${at + 1}`;
  }
  const page = gadget.pages.find((one) => one.id === id);
  if (page) return `page ${page.name}`;
  const menu = gadget.menus.find((one) => one.id === id || one.items.some((item) => item.id === id));
  if (menu) return `menu ${menu.items.find((item) => item.id === id)?.name ?? menu.name}`;
  return gadget.flow.layers.find((layer) => layer.id === id)?.name ?? 'somewhere else';
}

/** Entries of a menu that lead to each place where something is used. */
export function UseItems({ places }: { places: readonly Place[] }) {
  const gadget = useDocument();
  const navigate = useNavigate();
  const go = (place: Place) => {
    goTo(place);
    // What is shown stands on a sheet of its own.
    if (onScreen.has(place.kind)) void navigate('../screen', { relative: 'path' });
  };
  return places.slice(0, listed).map((place, n) => (
    <Menu.Item key={n} onClick={() => go(place)}>
      {placeWords(gadget, place)}
    </Menu.Item>
  ));
}

/** How often something is used, and where: each place a step away. */
export function UsesMenu({ id, name }: { id: string; name: string }) {
  const places = usesOf(useDocument(), id);
  if (places.length === 0) return <span className={classes.typedHint}>not used</span>;
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <button type="button" className={classes.add} aria-label={`Where ${name} is used`}>
          {count(places.length, 'place')}
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <UseItems places={places} />
      </Menu.Dropdown>
    </Menu>
  );
}
