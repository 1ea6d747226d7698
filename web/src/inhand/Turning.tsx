import type { Codes, Encoder, Knob } from '@hum-lever/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { keyName, msToUs, usToMs, useIsLit } from '../shared/index.ts';
import { create } from 'zustand';
import { player, usePlayer } from '../workers/index.ts';
import classes from './InHand.module.css';

/** One click by hand takes so long. */
const clickUs = 60_000;
/** What one click turns the drawn dial by. */
const clickDegrees = 15;
/** How far the wheel or the finger goes for one click. */
const clickPixels = 14;

export function turnDial(controlId: string, detents: number): void {
  player.touch(controlId, { what: 'turn', detents, overUs: Math.abs(detents) * clickUs });
}

function Labelled({
  id,
  name,
  keys,
  children,
}: {
  id: string;
  name: string;
  keys: (string | null)[];
  children: ReactNode;
}) {
  const lit = useIsLit(id);
  const known = keys.filter((key) => key !== null);
  return (
    <div className={classes.button} data-lit={lit}>
      {children}
      <span className={classes.legend}>{name}</span>
      {known.length > 0 && (
        <span className={classes.keys}>
          {known.map((key) => (
            <kbd key={key} className={classes.key}>
              {keyName(key)}
            </kbd>
          ))}
        </span>
      )}
    </div>
  );
}

/** One click of a dial: with the touch, as a press is; a click without a pointer is one too. */
function Click({ name, turn, children }: { name: string; turn: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-label={name}
      onPointerDown={turn}
      onClick={(event) => event.detail === 0 && turn()}
    >
      {children}
    </button>
  );
}

/** A dial that clicks: drag sideways, roll the wheel, or press either side of it. */
export function Dial({ control: { id, name, key, backKey } }: { control: Encoder }) {
  const clicks = usePlayer(({ places }) => places[id] ?? 0);
  const drag = useRef<{ x: number; over: number } | null>(null);
  const wheel = useRef(0);
  const travel = (pixels: number) => {
    const whole = Math.trunc(pixels / clickPixels);
    if (whole !== 0) turnDial(id, whole);
    return pixels - whole * clickPixels;
  };
  return (
    <Labelled id={id} name={name} keys={[backKey, key]}>
      <div className={classes.dialRow}>
        <Click name={`Turn ${name} back`} turn={() => turnDial(id, -1)}>
          ‹
        </Click>
        <div
          className={classes.dial}
          style={{ rotate: `${clicks * clickDegrees}deg` }}
          onWheel={(event) => (wheel.current = travel(wheel.current - event.deltaY / 4))}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { x: event.clientX, over: 0 };
          }}
          onPointerMove={(event) => {
            if (!drag.current) return;
            const over = travel(drag.current.over + event.clientX - drag.current.x);
            drag.current = { x: event.clientX, over };
          }}
          onPointerUp={() => (drag.current = null)}
          onPointerCancel={() => (drag.current = null)}
        />
        <Click name={`Turn ${name} on`} turn={() => turnDial(id, 1)}>
          ›
        </Click>
      </div>
    </Labelled>
  );
}

/** Where hands on the page have just put knobs: what the machine reports comes a little later. */
const useAhead = create<Record<string, { perMille: number; tillMs: number }>>(() => ({}));
const aheadMs = 250;
const middle = 500;
/** One reading of the page's pointer is about a frame. */
const frameUs = 16_000;

export function placeOfKnob(controlId: string): number {
  const ahead = useAhead.getState()[controlId];
  if (ahead && performance.now() < ahead.tillMs) return ahead.perMille;
  return usePlayer.getState().places[controlId] ?? middle;
}

export function moveKnobTo(controlId: string, perMille: number, overUs = frameUs): void {
  const to = Math.max(0, Math.min(1_000, Math.round(perMille)));
  if (placeOfKnob(controlId) === to) return;
  useAhead.setState({ [controlId]: { perMille: to, tillMs: performance.now() + aheadMs } });
  player.touch(controlId, { what: 'move', perMille: to, overUs });
}

/** Where it is in hand: as the gadget has it now, in the past or by a script, unless a hand has just moved it here. */
function useKnobPlace(controlId: string): number {
  const told = usePlayer(({ places }) => places[controlId] ?? middle);
  const ahead = useAhead((all) => all[controlId]);
  const [, look] = useState(0);
  useEffect(() => {
    if (!ahead) return;
    const timer = setTimeout(() => look((n) => n + 1), Math.max(0, ahead.tillMs - performance.now()));
    return () => clearTimeout(timer);
  }, [ahead]);
  return ahead && performance.now() < ahead.tillMs ? ahead.perMille : told;
}

/** A knob, slider or axis: drag it. An axis springs back when it is let go. */
export function Slide({ control: { id, name, key, backKey, returns } }: { control: Knob }) {
  const place = useKnobPlace(id);
  const letGo = () => returns && moveKnobTo(id, middle, 60_000);
  return (
    <Labelled id={id} name={name} keys={[backKey, key]}>
      <input
        type="range"
        className={classes.slide}
        tabIndex={-1}
        min={0}
        max={1_000}
        value={place}
        aria-label={`Move ${name}`}
        onChange={(event) => moveKnobTo(id, Number(event.currentTarget.value))}
        onPointerUp={letGo}
        onPointerCancel={letGo}
      />
    </Labelled>
  );
}

/** Sends a code, and again and again until the stop is called. */
export function holdCode({ id, repeatsEveryUs }: Codes, codeId: string): () => void {
  const send = () => player.touch(id, { what: 'send', codeId, heldUs: 0 });
  send();
  const timer = setInterval(send, usToMs(Math.max(repeatsEveryUs, msToUs(20))));
  return () => clearInterval(timer);
}

/** The remote, or the words, of a receiver. */
export function Remote({ control }: { control: Codes }) {
  const stop = useRef<(() => void) | null>(null);
  const letGo = () => {
    stop.current?.();
    stop.current = null;
  };
  useEffect(() => letGo, []);
  return (
    <Labelled id={control.id} name={control.name} keys={[control.key]}>
      <div className={classes.remote}>
        {control.codes.map((code) => (
          <button
            key={code.id}
            type="button"
            tabIndex={-1}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              letGo();
              stop.current = holdCode(control, code.id);
            }}
            onPointerUp={letGo}
            onPointerCancel={letGo}
          >
            {code.name}
          </button>
        ))}
        {control.codes.length === 0 && <span className={classes.legend}>no codes yet</span>}
      </div>
    </Labelled>
  );
}
