import { ActionIcon, Menu as Dropdown } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import {
  addIntervalEdit,
  controlKindOf,
  idleLeads,
  intervalTerms,
  limits,
  menuSchemes,
  menuWords,
  missingRoles,
  openedOut,
  menuSchemeEdit,
  schemeFor,
  schemeNames,
  showsMenus,
  type Menu,
  type SchemeRole,
} from '@hum-lever/core';
import { edit, useDocument } from '../../../client/index.ts';
import { Choice, Prose, TextField, usePlace } from '../../../shared/index.ts';
import { TimeSlot } from '../../../slots/index.ts';
import { roleWords, schemeWords } from '../../../words/index.ts';
import { IntervalSentence } from './IntervalSentence.tsx';
import { Stop } from './Stop.tsx';
import classes from './Menus.module.css';

const none = { value: '', label: 'nothing' };
const leadWords: Record<(typeof idleLeads)[number], string> = {
  home: 'goes back to its beginning',
  leave: 'is left',
  off: 'goes dark until a key is pressed',
};

/** Where a menu is, how it is worked and what it does by itself, in sentences. */
export function MenuSentence({ menu, another }: { menu: Menu; another: () => void }) {
  const gadget = useDocument();
  const { id, className } = usePlace(menu.id);
  const { states } = gadget.flow;
  const change = (patch: Parameters<typeof changed>[1]) => edit(changed(menu.id, patch));
  const taken = new Set(
    gadget.menus.flatMap(({ stateId, id: other }) => (other === menu.id ? [] : [stateId])),
  );
  const homes = states.filter(({ id: state, kind }) => kind === 'plain' && !taken.has(state));
  const named = (list: readonly { id: string; name: string }[]) =>
    list.map((one) => ({ value: one.id, label: one.name }));
  const setKey = (role: SchemeRole, controlId: string) => {
    const keys = { ...menu.scheme.keys };
    if (controlId === '') delete keys[role];
    else keys[role] = controlId;
    edit(menuSchemeEdit(gadget, menu, { ...menu.scheme, keys }));
  };
  const { roles } = menuSchemes[menu.scheme.kind];
  const missing = missingRoles(menu.scheme);
  return (
    <div id={id} className={`${classes.sentences} ${className ?? ''}`}>
      <Prose id={`${menu.id} where`} tools={<Words menu={menu} />}>
        <TextField
          size="xs"
          aria-label="Name of the menu"
          value={menu.name}
          commit={(name) => change({ name: name.trim() })}
        />{' '}
        is in state
        <Choice
          label="State of the menu"
          stage="state"
          data={[{ value: '', label: 'none yet' }, ...named(homes)]}
          value={menu.stateId ?? ''}
          choose={(state) => change({ stateId: state || null })}
        />
        and leads back to
        <Choice
          label="Where leaving it leads"
          stage="state"
          data={[none, ...named(states.filter((state) => state.id !== menu.stateId))]}
          value={menu.leaveId ?? ''}
          choose={(state) => change({ leaveId: state || null })}
        />
        <Stop>;</Stop> it is shown on
        <Choice
          label="Display of the menu"
          stage="output"
          data={[none, ...named(gadget.outputs.filter(showsMenus))]}
          value={menu.outputId ?? ''}
          choose={(output) => change({ outputId: output || null })}
        />
      </Prose>
      <Prose id={`${menu.id} keys`}>
        It is worked by
        <Choice
          label="How it is worked"
          stage="gesture"
          data={schemeNames.map((value) => ({ value, label: schemeWords[value] }))}
          value={menu.scheme.kind}
          choose={(kind) => edit(menuSchemeEdit(gadget, menu, schemeFor(gadget, kind)))}
        />
        {roles.map(({ role, needed }, n) => (
          <span key={role}>
            <Stop>{n === 0 ? ':' : ','}</Stop> {roleWords[role]}{' '}
            <Choice
              label={`Control for ${roleWords[role]}`}
              stage="contact"
              data={[
                { value: '', label: needed ? 'missing' : 'none' },
                ...named(gadget.controls.filter(({ kind }) => kind === controlKindOf(role))),
              ]}
              value={menu.scheme.keys[role] ?? ''}
              choose={(control) => setKey(role, control)}
            />
          </span>
        ))}
      </Prose>
      <Prose id={`${menu.id} ways`}>
        Beyond the last item it
        <Choice
          label="Beyond the last item"
          data={[
            { value: 'stop', label: 'stops' },
            { value: 'round', label: 'begins again' },
          ]}
          value={menu.wraps ? 'round' : 'stop'}
          choose={(value) => change({ wraps: value === 'round' })}
        />
        <Stop>;</Stop> coming back to a list one stands
        <Choice
          label="Coming back to a list"
          data={[
            { value: 'first', label: 'on its first item' },
            { value: 'there', label: 'where one was' },
          ]}
          value={menu.remembers ? 'there' : 'first'}
          choose={(value) => change({ remembers: value === 'there' })}
        />
        <Stop>.</Stop> What was set is saved
        <Choice
          label="When it is saved"
          data={[
            { value: 'never', label: 'as each value says' },
            { value: 'done', label: 'with each setting' },
            { value: 'leaving', label: 'on leaving' },
          ]}
          value={menu.saves}
          choose={(saves) => change({ saves })}
        />
        <Stop>.</Stop> Left alone, it
        <Choice
          label="Left alone"
          data={[
            { value: '', label: 'stays as it is' },
            ...idleLeads.map((value) => ({ value, label: leadWords[value] })),
          ]}
          value={menu.idle?.leads ?? ''}
          choose={(leads) =>
            change({
              idle:
                leads === ''
                  ? null
                  : { afterUs: menu.idle?.afterUs ?? 30_000_000, edits: menu.idle?.edits ?? 'drop', leads },
            })
          }
        />
        {menu.idle && (
          <>
            after
            <TimeSlot
              label="How long it waits"
              minUs={1_000_000}
              value={menu.idle.afterUs}
              commit={(afterUs) => change({ idle: { ...menu.idle!, afterUs } })}
            />
            <Stop>,</Stop> and what was not finished is
            <Choice
              label="What was not finished"
              data={[
                { value: 'drop', label: 'dropped' },
                { value: 'keep', label: 'kept' },
              ]}
              value={menu.idle.edits}
              choose={(edits) => change({ idle: { ...menu.idle!, edits } })}
            />
          </>
        )}
        <Stop>.</Stop>
      </Prose>
      {menu.interval && <IntervalSentence menu={menu} interval={menu.interval} />}
      {missing.length > 0 && (
        <p className={classes.missing} role="status">
          It cannot be worked yet: no control is its {missing.map((role) => roleWords[role]).join(', ')}.
        </p>
      )}
      <MenuTools menu={menu} another={another} />
    </div>
  );
}

const changed = (
  id: string,
  patch: Partial<Omit<Menu, 'id' | 'items' | 'openedOut'>>,
): { name: 'changeMenu'; args: [string, Partial<Omit<Menu, 'id' | 'items' | 'openedOut'>>] } => ({
  name: 'changeMenu',
  args: [id, patch],
});

function MenuTools({ menu, another }: { menu: Menu; another: () => void }) {
  const gadget = useDocument();
  return (
    <Dropdown position="bottom-end">
      <Dropdown.Target>
        <ActionIcon className={classes.more!} size="sm" variant="subtle" aria-label={`More for ${menu.name}`}>
          <IconDots size={16} />
        </ActionIcon>
      </Dropdown.Target>
      <Dropdown.Dropdown>
        <Dropdown.Item disabled={gadget.menus.length >= limits.menus} onClick={another}>
          Another menu
        </Dropdown.Item>
        {menu.interval === null && (
          <Dropdown.Item
            disabled={menu.items.length + intervalTerms.length > limits.menuItems}
            onClick={() => edit(addIntervalEdit(gadget, menu))}
          >
            An interval from span, length and rate
          </Dropdown.Item>
        )}
        {!menu.openedOut && (
          <Dropdown.Item
            onClick={() => edit({ name: 'openMenuOut', args: [menu.id, openedOut(gadget, menu)] })}
          >
            Open it out into states and rules
          </Dropdown.Item>
        )}
        <Dropdown.Item onClick={() => edit({ name: 'removeMenu', args: [menu.id] })}>
          Remove the menu
        </Dropdown.Item>
      </Dropdown.Dropdown>
    </Dropdown>
  );
}

/** What the menu writes beside its items' names, in the gadget's own language. */
function Words({ menu }: { menu: Menu }) {
  return (
    <>
      On the display:
      {(Object.keys(menuWords) as (keyof Menu['words'])[]).map((word) => (
        <TextField
          key={word}
          size="xs"
          w={86}
          aria-label={`Word for ${menuWords[word]}`}
          value={menu.words[word]}
          commit={(text) => edit(changed(menu.id, { words: { ...menu.words, [word]: text } }))}
        />
      ))}
    </>
  );
}
