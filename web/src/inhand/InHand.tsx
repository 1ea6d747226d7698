import { Button } from '@mantine/core';
import {
  stayingContacts,
  type Codes,
  type Encoder,
  type Knob,
  type Gadget,
  type Waiting,
} from '@hum-lever/core';
import { useEffect, useMemo, useRef, useState, type FocusEvent, type KeyboardEvent } from 'react';
import { useDocument } from '../client/index.ts';
import { keyName } from '../shared/index.ts';
import { sayStill, slowWords } from '../words/index.ts';
import { player, usePlayer } from '../workers/index.ts';
import { prepareSound, unlockSound } from './audio.ts';
import { Body } from './Body.tsx';
import { LargeButton, MuteButton, RecordButton, RecordingBar } from './HandButtons.tsx';
import classes from './InHand.module.css';
import { holdCode, moveKnobTo, placeOfKnob, turnDial } from './Turning.tsx';
import { PowerButton } from './Power.tsx';
import { useLarge } from './useLarge.ts';
import { useRecording } from './useRecording.ts';
import { Whole } from './Whole.tsx';

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

/** So many times its true size, held large. */
const mostLarge = 3;

/** The gadget itself, to scale, always playable. */
export function InHand() {
  const gadget = useDocument();
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
