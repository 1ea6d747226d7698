import type { ReactNode } from 'react';

/** Takes what was typed; null: taken, otherwise why it was not. */
export type Commit<T> = (value: T) => string | null;

export const numberWidth = 130;

export interface NumberFieldProps {
  label: ReactNode;
  value: number;
  commit: Commit<number>;
  unit?: string;
  min?: number;
  max?: number;
  step?: number;
  decimals?: number;
  /** All decimals are shown, as for money. */
  fixed?: boolean;
  width?: number | string;
  autoFocus?: boolean;
  'aria-label'?: string;
}
