import { controlsOf, keySetsOf, type Button as ButtonPart, type Gadget } from '@hum-lever/core';
import { Pictures } from '../outputs/pictures.tsx';
import { keyName, useIsLit } from '../shared/index.ts';
import { usePlayer } from '../workers/index.ts';
import classes from './InHand.module.css';
import { Dial, Remote, Slide } from './Turning.tsx';

/** A finger on a control: which, whether down, and the event's own stamp. */
export type Move = (controlId: string, down: boolean, stampMs: number) => void;

/** So many buttons stand in rows and columns. */
const keypadFrom = 6;
const usualColumns = 4;

/** Buttons as they lie: those of one set in its rows and columns, until there is a face that says otherwise. */
function keyBlocks(gadget: Gadget): { keys: ButtonPart[]; columns: number | null }[] {
  const buttons = controlsOf(gadget, 'button');
  const sets = keySetsOf(gadget).filter(({ controlIds }) => controlIds.length > keypadFrom);
  const inSet = new Set(sets.flatMap(({ controlIds }) => controlIds));
  const single = buttons.filter(({ id }) => !inSet.has(id));
  const { parts, wiring } = gadget;
  return [
    ...sets.map(({ id, controlIds }) => {
      const figures =
        wiring.sets.find((set) => set.id === id)?.params ?? parts.find((part) => part.id === id)?.figures;
      const rows = figures?.['rows'];
      return {
        keys: controlIds.flatMap((key) => buttons.find((one) => one.id === key) ?? []),
        columns: Math.ceil(rows ? controlIds.length / rows : Math.sqrt(controlIds.length)),
      };
    }),
    { keys: single, columns: single.length > keypadFrom ? usualColumns : null },
  ].filter(({ keys }) => keys.length > 0);
}

/** The case with all that is seen and touched. */
export function Body({
  gadget,
  held,
  stays,
  move,
}: {
  gadget: Gadget;
  held: ReadonlySet<string>;
  stays: ReadonlySet<string>;
  move: Move;
}) {
  if (gadget.controls.length + gadget.outputs.length === 0)
    return <p className={classes.empty}>Nothing to hold yet. Add a button and a light in Parts.</p>;
  const blocks = keyBlocks(gadget);
  const caps = (keys: readonly ButtonPart[]) =>
    keys.map((control) => (
      <Cap
        key={control.id}
        control={control}
        held={held.has(control.id)}
        stays={stays.has(control.id)}
        move={move}
      />
    ));
  return (
    <div className={classes.case}>
      <Pictures outputs={gadget.outputs} across />
      <div className={classes.row}>
        <Pictures outputs={gadget.outputs} across={false} />
      </div>
      {blocks.map(({ keys, columns }) =>
        columns === null ? null : (
          <div
            key={keys[0]!.id}
            className={classes.row}
            data-many
            style={{ gridTemplateColumns: `repeat(${columns}, auto)` }}
          >
            {caps(keys)}
          </div>
        ),
      )}
      <div className={classes.row}>
        {blocks.flatMap(({ keys, columns }) => (columns === null ? caps(keys) : []))}
        {controlsOf(gadget, 'encoder').map((control) => (
          <Dial key={control.id} control={control} />
        ))}
        {controlsOf(gadget, 'knob').map((control) => (
          <Slide key={control.id} control={control} />
        ))}
        {controlsOf(gadget, 'codes').map((control) => (
          <Remote key={control.id} control={control} />
        ))}
      </div>
    </div>
  );
}

function Cap({
  control,
  held,
  stays,
  move,
}: {
  control: ButtonPart;
  held: boolean;
  stays: boolean;
  move: Move;
}) {
  const lit = useIsLit(control.id);
  // A script presses keys, too, and so did whoever is looked at in the past.
  const down = usePlayer(({ places }) => places[control.id] === 1) || held;
  return (
    <div className={classes.button} data-lit={lit}>
      <button
        type="button"
        tabIndex={-1}
        className={classes.cap}
        data-down={down || undefined}
        data-stays={stays || undefined}
        aria-pressed={stays ? down : undefined}
        aria-label={stays ? `Switch ${control.name}` : `Press ${control.name}`}
        onPointerDown={(event) => {
          event.preventDefault();
          event.currentTarget.setPointerCapture(event.pointerId);
          move(control.id, true, event.timeStamp);
        }}
        onPointerUp={(event) => move(control.id, false, event.timeStamp)}
        onPointerCancel={(event) => move(control.id, false, event.timeStamp)}
        onContextMenu={(event) => event.preventDefault()}
      />
      <span className={classes.legend}>{control.name}</span>
      {control.key !== null && <kbd className={classes.key}>{keyName(control.key)}</kbd>}
    </div>
  );
}
