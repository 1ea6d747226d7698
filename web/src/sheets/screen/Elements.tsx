import { IconChevronDown, IconChevronUp, IconCopy, IconPlus, IconX } from '@tabler/icons-react';
import {
  limits,
  type ElementKind,
  type OutputAction,
  type Page,
  type Screen,
  type TextDisplay,
  type Tried,
} from '@hum-lever/core';
import { useRef, type ReactNode } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { begin, Prose } from '../../shared/index.ts';
import { Aligning } from './Aligning.tsx';
import { elementSlots } from './elementSlots.tsx';
import { drawables, freshElement, rowOf, type Drawable } from './fresh.ts';
import { Grouping } from './Grouping.tsx';
import { copyingEdits } from './groups.ts';
import { editAll } from './moving.ts';
import { refusalOf } from './refusal.ts';
import { Tool } from './Tool.tsx';
import classes from './Screen.module.css';

const drawWords: Record<Drawable, string> = {
  text: 'Text',
  icon: 'Icon',
  number: 'Number',
  word: 'Word',
  list: 'List',
  running: 'Running text',
  legends: 'Legends',
  bar: 'Bar',
  dial: 'Dial',
  plot: 'Plot',
  wave: 'Wave of what sounds',
  picture: 'Picture',
  box: 'Box',
  line: 'Line',
};

/** The sentence of an element. */
function Sentence({
  element,
  put,
}: {
  element: OutputAction;
  put: (element: OutputAction) => string | null;
}) {
  const Slots = elementSlots[element.kind as ElementKind] as (props: {
    action: OutputAction;
    put: (action: OutputAction) => string | null;
  }) => ReactNode;
  return <Slots action={element} put={put} />;
}

/** What stands on a page, in the order in which it is drawn, as sentences. */
export function Elements({
  screen,
  page,
  tried,
  chosen,
  choose,
  chooseAll,
}: {
  screen: Screen | TextDisplay;
  page: Page;
  tried: Tried;
  chosen: readonly number[];
  choose: (at: number | null, more?: boolean) => void;
  chooseAll: (at: readonly number[]) => void;
}) {
  const gadget = useDocument();
  const { elements } = page;
  // What a press gives the focus to is chosen by the click that it becomes.
  const pressed = useRef(false);
  const proseId = (at: number) => `${page.id} ${at}`;
  const add = (element: OutputAction) => {
    begin(proseId(elements.length));
    edit({ name: 'addElement', args: [page.id, element] });
    choose(elements.length);
  };
  /** Refused where it is typed if it could not be drawn: until the checks have run, nothing would tell why. */
  const put = (at: number, changed: OutputAction): string | null => {
    const refused = refusalOf(gadget, page.id, changed);
    if (refused !== null) return refused;
    return edit({ name: 'changeElement', args: [page.id, at, changed] });
  };
  return (
    <div className={classes.elements}>
      <div className={classes.draw} role="group" aria-label="Draw">
        {drawables(gadget, screen).map((what) => (
          <button
            key={what}
            type="button"
            className={classes.add}
            disabled={elements.length >= limits.elementsPerPage}
            onClick={() => add(freshElement(what, gadget, screen, tried.drawn.drawings))}
          >
            <IconPlus size={13} aria-hidden /> {drawWords[what]}
          </button>
        ))}
      </div>
      {elements.length === 0 && (
        <p className={classes.none}>
          Nothing stands on this page yet. Draw a text, and bind it to a value in braces.
        </p>
      )}
      {chosen.length > 0 && (
        <div className={classes.together}>
          <Aligning screen={screen} page={page} tried={tried} chosen={chosen} />
          <Grouping screen={screen} page={page} chosen={chosen} choose={chooseAll} />
        </div>
      )}
      <ol aria-label={`What stands on ${page.name}`}>
        {elements.map((element, at) => (
          <li
            key={at}
            data-chosen={chosen.includes(at) || undefined}
            aria-label={`Element ${at + 1}`}
            onPointerDownCapture={() => (pressed.current = true)}
            onFocusCapture={() => !pressed.current && !chosen.includes(at) && choose(at)}
            onClickCapture={({ shiftKey }) => {
              pressed.current = false;
              choose(at, shiftKey);
            }}
          >
            <span className={`number ${classes.at}`} aria-hidden>
              {at + 1}
            </span>
            <Prose id={proseId(at)}>
              <Sentence element={element} put={(changed) => put(at, changed)} />
            </Prose>
            {'group' in element && element.group !== 0 && (
              <span className={classes.inGroup}>
                group <span className="number">{element.group}</span>
              </span>
            )}
            <span className={classes.tools}>
              <Tool
                label={`Draw element ${at + 1} earlier, below the one before`}
                disabled={at === 0}
                onClick={() => {
                  edit({ name: 'moveElement', args: [page.id, at, -1] });
                  choose(at - 1);
                }}
              >
                <IconChevronUp size={15} />
              </Tool>
              <Tool
                label={`Draw element ${at + 1} later, above the next`}
                disabled={at === elements.length - 1}
                onClick={() => {
                  edit({ name: 'moveElement', args: [page.id, at, 1] });
                  choose(at + 1);
                }}
              >
                <IconChevronDown size={15} />
              </Tool>
              <Tool
                label={`Another like element ${at + 1}`}
                onClick={() => {
                  editAll(copyingEdits(page, [at], rowOf(screen)));
                  choose(elements.length);
                }}
              >
                <IconCopy size={15} />
              </Tool>
              <Tool
                label={`Take element ${at + 1} out`}
                onClick={() => {
                  edit({ name: 'removeElement', args: [page.id, at] });
                  choose(null);
                }}
              >
                <IconX size={15} />
              </Tool>
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
