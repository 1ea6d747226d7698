import { ActionIcon, Button, Tooltip } from '@mantine/core';
import {
  IconArrowsDiagonal,
  IconArrowsDiagonalMinimize2,
  IconPlayerRecord,
  IconVolume,
  IconVolumeOff,
} from '@tabler/icons-react';
import {
  controlsOf,
  keySetsOf,
  stayingContacts,
  type Button as ButtonPart,
  type Codes,
  type Encoder,
  type Knob,
  type Gadget,
  type Waiting,
} from '@hum-lever/core';
import { useEffect, useMemo, useRef, useState, type FocusEvent, type KeyboardEvent } from 'react';
import { useDocument } from '../client/index.ts';
import { Pictures } from '../outputs/pictures.tsx';
import { keyName, useIsLit } from '../shared/index.ts';
import { sayStill, slowWords } from '../words/index.ts';
import { player, usePlayer } from '../workers/index.ts';
import { play, prepareSound, setMuted, unlockSound, useSound } from './audio.ts';
import classes from './InHand.module.css';
import { Dial, holdCode, moveKnobTo, placeOfKnob, Remote, Slide, turnDial } from './Turning.tsx';
import { PowerButton } from './Power.tsx';
import { useLarge } from './useLarge.ts';
import { useRecording } from './useRecording.ts';
import { Whole } from './Whole.tsx';

/** A finger on a control: which, whether down, and the event's own stamp. */
type Move = (controlId: string, down: boolean, stampMs: number) => void;

/** Fingers on the gadget, by mouse, touch or key; all are lifted when the gadget leaves the hand. */
function useFingers(stays: ReadonlySet<string>) {
  const down = useRef(new Set<string>());
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const move = (controlId: string, isDown: boolean, stampMs: number) => {
    // A switch that stays goes over with every touch; letting go of it does nothing.
    if (stays.has(controlId)) {
      if (isDown) player.finger(controlId, usePlayer.getState().places[controlId] !== 1, stampMs);
      return;
    }
    if (down.current.has(controlId) === isDown) return;
    if (isDown) down.current.add(controlId);
    else down.current.delete(controlId);
    player.finger(controlId, isDown, stampMs);
    setHeld(new Set(down.current));
  };
  const liftAll = () => [...down.current].forEach((controlId) => move(controlId, false, performance.now()));
  return { held, move, liftAll };
}

/** A step of a knob by key. */
const keyStep = 25;
/** Codes that keys hold, by control. */
const heldCodes = new Map<string, () => void>();

/** Dials click, knobs move by a little, codes are sent for as long as their key is down. */
function playOther(control: Encoder | Knob | Codes, { code, repeat }: KeyboardEvent, isDown: boolean): void {
  if (control.kind === 'codes') {
    heldCodes.get(control.id)?.();
    heldCodes.delete(control.id);
    const first = control.codes[0];
    if (isDown && first) heldCodes.set(control.id, holdCode(control, first.id));
    return;
  }
  const by = code === control.key ? 1 : -1;
  if (control.kind === 'encoder') {
    if (isDown) turnDial(control.id, by);
  } else if (control.returns) {
    // An axis is pushed to its end, and springs back.
    if (!repeat) moveKnobTo(control.id, isDown ? 500 + by * 500 : 500, 60_000);
  } else if (isDown) moveKnobTo(control.id, placeOfKnob(control.id) + by * keyStep);
}

/** The gadget itself, to scale, always playable. */
export function InHand() {
  const gadget = useDocument();
  const shown = usePlayer((state) => state.shown);
  const pastUs = usePlayer((state) => state.pastUs);
  const failure = usePlayer((state) => state.failure);
  const idleTouch = usePlayer((state) => state.idleTouch);
  const still = usePlayer((state) => state.still);
  const slow = usePlayer((state) => state.slow);
  const replaying = usePlayer((state) => state.replaying);
  const stays = useMemo(() => stayingContacts(gadget), [gadget]);
  const { held, move, liftAll } = useFingers(stays);
  const [focused, setFocused] = useState(false);
  const recorder = useRecording();
  const region = useRef<HTMLDivElement>(null);
  const place = useRef<HTMLElement>(null);
  const large = useLarge(place, () => region.current?.focus());

  useEffect(() => {
    prepareSound();
    // Sound may begin with the first gesture anywhere.
    const gestures = ['pointerdown', 'keydown'] as const;
    gestures.forEach((gesture) => window.addEventListener(gesture, unlockSound));
    return () => gestures.forEach((gesture) => window.removeEventListener(gesture, unlockSound));
  }, []);

  useEffect(() => {
    // Looking at the past is silent: nothing sounds then.
    const outputs = pastUs === null ? Object.entries(shown?.outputs ?? {}) : [];
    play(Object.fromEntries(outputs.flatMap(([id, one]) => (one.kind === 'tone' ? [[id, one.hz]] : []))));
  }, [shown, pastUs]);

  const onKey = (event: KeyboardEvent, isDown: boolean) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    // What is written to a terminal in hand is written, and plays nothing.
    if (event.target instanceof Element && event.target.matches('input, select, textarea')) return;
    const control = gadget.controls.find(
      (one) => one.key === event.code || ('backKey' in one && one.backKey === event.code),
    );
    if (!control) {
      // A key that plays something plays it; otherwise it lets go, or puts back what is held large.
      if (isDown && event.key === 'Escape')
        if (large.size === 'beside') region.current?.blur();
        else large.beside();
      return;
    }
    event.preventDefault();
    if (control.kind !== 'button') {
      if (control.kind !== 'codes' || !event.repeat) playOther(control, event, isDown);
    } else if (!event.repeat) move(control.id, isDown, event.timeStamp);
  };
  const onBlur = (event: FocusEvent) => {
    if (event.currentTarget.contains(event.relatedTarget)) return;
    setFocused(false);
    liftAll();
  };

  return (
    <aside ref={place} className={classes.place} aria-label="In hand" data-size={large.size}>
      <header className={classes.head}>
        <h2>In hand</h2>
        <LargeButton {...large} />
        <RecordButton {...recorder} />
        <MuteButton />
        <PowerButton gadget={gadget} />
      </header>
      {still && (
        <p role="alert" className={classes.still}>
          {sayStill(gadget, still)}
        </p>
      )}
      <div
        ref={region}
        className={classes.body}
        data-focused={focused || undefined}
        data-past={pastUs !== null || undefined}
        tabIndex={0}
        role="application"
        aria-label={`${gadget.name}, playable. ${keysSentence(gadget)}`}
        aria-describedby="hand-hint"
        onFocus={() => setFocused(true)}
        onBlur={onBlur}
        onKeyDown={(event) => onKey(event, true)}
        onKeyUp={(event) => onKey(event, false)}
      >
        <Whole most={large.size === 'beside' ? 1 : mostLarge}>
          <Body
            gadget={gadget}
            held={held}
            stays={stays}
            move={(id, isDown, stampMs) => {
              region.current?.focus();
              move(id, isDown, stampMs);
            }}
          />
        </Whole>
      </div>
      <AfterEdit gadget={gadget} />
      {recorder.recording && <RecordingBar {...recorder} />}
      <p className={classes.hint} id="hand-hint" role="status">
        {failure ??
          (replaying !== null
            ? `Playing that again to see it: ${Math.round(replaying * 100)}\u202f%.`
            : pastUs !== null
              ? 'This is the past: watch only.'
              : idleTouch
                ? 'Time stands still: nothing comes of it until it runs on, below on the strip.'
                : slow
                  ? slowWords(gadget, slow)
                  : focused
                    ? keysHint(gadget)
                    : 'Click it, or press H, to play with keys.')}
      </p>
    </aside>
  );
}

/** What became of an edit, where that cannot be seen: it goes away with a restart, and by itself where nothing waits. */
function AfterEdit({ gadget }: { gadget: Gadget }) {
  const adopted = usePlayer((state) => state.adopted);
  useEffect(() => {
    if (!adopted?.restarted) return;
    const timer = setTimeout(() => usePlayer.setState({ adopted: null }), saidForMs);
    return () => clearTimeout(timer);
  }, [adopted]);
  if (!adopted) return null;
  if (adopted.restarted)
    return (
      <p className={classes.adopted} role="status">
        {adopted.restarted === 'gone'
          ? 'Restarted: the state it was in is gone.'
          : 'It had stood still: the edit has started it anew.'}
      </p>
    );
  return (
    <div className={classes.adopted} role="status">
      {adopted.waits.map((waiting) => waitingWords(gadget, waiting)).join(' ')}{' '}
      <Button size="compact-xs" variant="default" onClick={() => player.restart()}>
        Switch it off and on
      </Button>
    </div>
  );
}
const saidForMs = 8_000;

function waitingWords({ flow }: Gadget, waiting: Waiting): string {
  switch (waiting.kind) {
    case 'entry': {
      const name = flow.states.find(({ id }) => id === waiting.stateId)?.name ?? 'the state';
      return `It is in ${name} already: what is new on entering comes about with the next time.`;
    }
    case 'start':
      return 'Where it starts counts from the next power-up.';
    case 'values':
      return 'What values start with counts from the next power-up.';
  }
}

function keysSentence({ controls }: Gadget): string {
  const keys = controls.flatMap((control) => {
    const played = 'backKey' in control ? [control.backKey, control.key] : [control.key];
    const known = played.filter((key) => key !== null).map(keyName);
    return known.length === 0
      ? []
      : [`${known.join(' and ')} ${known.length > 1 ? 'play' : 'plays'} ${control.name}`];
  });
  return keys.length === 0 ? 'No keys yet: give controls a key in Parts.' : `${keys.join(', ')}.`;
}

/** As much as two lines hold; of many keys the caps tell. */
const hintChars = 78;
function keysHint(gadget: Gadget): string {
  const all = keysSentence(gadget);
  return all.length <= hintChars ? all : 'The small caps say which keys play it. Escape lets go.';
}

/** So many times its true size, held large. */
const mostLarge = 3;

function LargeButton({ size, toggle }: ReturnType<typeof useLarge>) {
  const label = size === 'beside' ? 'Hold it large' : 'Put it back';
  return (
    <Tooltip label={`${label} (Shift H; Shift F fills the screen)`}>
      <ActionIcon
        variant="subtle"
        aria-label={label}
        aria-pressed={size !== 'beside'}
        onClick={() => toggle(size === 'screen' ? 'screen' : 'large')}
      >
        {size === 'beside' ? (
          <IconArrowsDiagonal size={18} stroke={1.7} />
        ) : (
          <IconArrowsDiagonalMinimize2 size={18} stroke={1.7} />
        )}
      </ActionIcon>
    </Tooltip>
  );
}

type Recorder = ReturnType<typeof useRecording>;

function RecordButton({ recording, start }: Recorder) {
  return (
    <Tooltip label="Record a trial from here">
      <ActionIcon variant="subtle" aria-label="Record a trial" disabled={recording} onClick={start}>
        <IconPlayerRecord size={18} stroke={1.7} />
      </ActionIcon>
    </Tooltip>
  );
}

function RecordingBar({ keep, forget, failure }: Recorder) {
  return (
    <div className={classes.recording} role="status">
      <strong>Recording.</strong> It was switched on anew; play it, then keep what you did.
      {failure !== null && <p role="alert">{failure}</p>}
      <div>
        <Button size="compact-sm" onClick={keep}>
          Stop and keep
        </Button>
        <Button size="compact-sm" variant="default" onClick={forget}>
          Forget it
        </Button>
      </div>
    </div>
  );
}

function MuteButton() {
  const muted = useSound((state) => state.muted);
  const label = muted ? 'Sound on' : 'Mute';
  return (
    <Tooltip label={label}>
      <ActionIcon variant="subtle" aria-label={label} aria-pressed={muted} onClick={() => setMuted(!muted)}>
        {muted ? <IconVolumeOff size={18} stroke={1.7} /> : <IconVolume size={18} stroke={1.7} />}
      </ActionIcon>
    </Tooltip>
  );
}

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

function Body({
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
  return (
    <div className={classes.case}>
      <Pictures outputs={gadget.outputs} across />
      <div className={classes.row}>
        <Pictures outputs={gadget.outputs} across={false} />
      </div>
      {keyBlocks(gadget).map(({ keys, columns }) => (
        <div
          key={keys[0]!.id}
          className={classes.row}
          data-many={columns !== null || undefined}
          style={columns === null ? undefined : { gridTemplateColumns: `repeat(${columns}, auto)` }}
        >
          {keys.map((control) => (
            <Cap
              key={control.id}
              control={control}
              held={held.has(control.id)}
              stays={stays.has(control.id)}
              move={move}
            />
          ))}
        </div>
      ))}
      <div className={classes.row}>
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
