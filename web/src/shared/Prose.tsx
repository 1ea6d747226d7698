import {
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
} from 'react';
import { AsProse } from './asProse.tsx';
import classes from './Prose.module.css';

/** What was just made is written at once. */
let begunId: string | null = null;
export const begin = (id: string): void => {
  begunId = id;
};
function isBegun(id: string | undefined): boolean {
  if (id === undefined || begunId !== id) return false;
  begunId = null;
  return true;
}

/**
 * A sentence. It is read as text, and opens into its slots while one of them is written: by a click on the word, or by
 * Enter. Left, it is text again, unless something in it was refused.
 */
export function Prose({ id, tools, children }: { id?: string; tools?: ReactNode; children: ReactNode }) {
  const [writing, setWriting] = useState(() => isBegun(id));
  const box = useRef<HTMLSpanElement>(null);
  /** The slot whose word was clicked. */
  const wanted = useRef<string | null>(null);
  const back = useRef(false);
  useEffect(() => {
    const element = box.current!;
    if (writing) {
      const slot = wanted.current;
      const found =
        slot === null ? null : element.querySelector<HTMLElement>(`[aria-label="${CSS.escape(slot)}"]`);
      (found ?? element.querySelector<HTMLElement>('input, select'))?.focus();
    } else if (back.current) element.focus();
    back.current = false;
  }, [writing]);
  useLayoutEffect(() => {
    // A mark behind a sentence stands close to it, also where its last word keeps a distance from what might follow.
    const last = box.current!.lastChild;
    box.current!.toggleAttribute(
      'data-spaced',
      last?.nodeType === Node.TEXT_NODE && last.textContent!.trim() === '',
    );
  });
  const open = (event: MouseEvent | KeyboardEvent) => {
    const { target } = event;
    wanted.current =
      target instanceof Element
        ? (target.closest<HTMLElement>('[data-word]')?.dataset['word'] ?? null)
        : null;
    setWriting(true);
  };
  const leave = ({ currentTarget, relatedTarget }: FocusEvent) => {
    if (currentTarget.contains(relatedTarget)) return;
    // What the field makes of being left is known a moment later.
    setTimeout(() => {
      const element = box.current;
      if (!element || element.contains(document.activeElement)) return;
      if (element.querySelector('[aria-invalid="true"]') === null) setWriting(false);
    }, 60);
  };
  if (!writing)
    return (
      <span
        ref={box}
        className={classes.prose}
        role="button"
        tabIndex={0}
        data-prose
        onClick={open}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          open(event);
        }}
      >
        <AsProse on>{children}</AsProse>
      </span>
    );
  return (
    <span
      ref={box}
      className={classes.writing}
      onBlur={leave}
      onKeyDown={({ key, defaultPrevented }) => {
        if (key !== 'Escape' || defaultPrevented) return;
        back.current = true;
        setWriting(false);
      }}
    >
      <AsProse on={false}>{children}</AsProse>
      {tools}
    </span>
  );
}
