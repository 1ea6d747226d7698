import { createContext, useContext, type ReactNode } from 'react';
import type { Stage } from './stages.tsx';
import classes from './asProse.module.css';

/** Whether the sentence around a slot is read: then the slot is the word that stands in it. */
const Prose = createContext(false);

export const AsProse = ({ on, children }: { on: boolean; children: ReactNode }) => (
  <Prose.Provider value={on}>{children}</Prose.Provider>
);
export const useAsProse = (): boolean => useContext(Prose);

/** What has a place in a sentence only while it is written. */
export const WhileWriting = ({ children }: { children: ReactNode }) => (useAsProse() ? null : children);

/** What a slot says, in its place in a sentence. @param slot its label, by which it is opened */
export function Word({
  slot,
  stage,
  capital,
  children,
}: {
  slot: string;
  stage?: Stage | undefined;
  /** It begins the sentence. */
  capital?: boolean | undefined;
  children: ReactNode;
}) {
  return (
    <>
      {' '}
      <span className={classes.word} data-word={slot} data-stage={stage} data-capital={capital}>
        {children}
      </span>{' '}
    </>
  );
}
