import type { ReactNode } from 'react';
import { useAsProse } from '../../../shared/index.ts';
import classes from './Menus.module.css';

/** Stands close behind the word before it, where that is read. */
export const Stop = ({ children }: { children: ReactNode }) =>
  useAsProse() ? <span className={classes.stop}>{children}</span> : children;
