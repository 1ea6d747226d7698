import type { Button } from '@hum-lever/core';
import { edit } from '../../../client/index.ts';

/** Takes a change of a control; null: taken, otherwise why it was not. */
export type Change<T> = (patch: Partial<Omit<T, 'id' | 'kind'>>) => string | null;

export const changeOf =
  <T>(id: string): Change<T> =>
  (patch) =>
    edit({ name: 'changeControl', args: [id, patch as never] });

export type ButtonCard = { control: Button };
