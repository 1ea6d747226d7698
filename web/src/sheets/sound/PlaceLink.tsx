import type { Place } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { goTo } from '../../shared/index.ts';
import classes from './Sound.module.css';

/** Where something is told, a step away on the flow. */
export function PlaceLink({ place, children }: { place: Place; children: ReactNode }) {
  const navigate = useNavigate();
  return (
    <button
      type="button"
      className={classes.link}
      onClick={() => {
        goTo(place);
        void navigate('../flow', { relative: 'path' });
      }}
    >
      {children}
    </button>
  );
}
