import {
  displayBus,
  readOn,
  shiningFully,
  shownInks,
  type Drawn,
  type OutputStateOf,
  type Screen,
} from '@hum-lever/core';
import { useEffect, useMemo, useState } from 'react';
import { useGadget } from '../../client/index.ts';
import { useOutput } from '../useOutput.ts';
import { usePlayer, virtualNowUs } from '../../workers/index.ts';
import { DisplayInCase } from './DisplayInCase.tsx';
import { Glass, type Coming } from './Glass.tsx';
import { cssOf, inLight } from './inks.ts';
import { useBright } from './useGlow.ts';

const blank: Drawn = { pageId: null, rows: [], drawings: [] };

/** Shorter than a few frames of the page, what comes cannot be seen coming. */
const leastSeenMs = 50;

/**
 * The moment that is shown, frame by frame, while something lasts long enough to be watched.
 * @param lastsUs null: nothing is watched
 */
function useNowUs(lastsUs: number | null): number {
  const stoodUs = usePlayer(({ clock, pastUs }) => (lastsUs === null ? 0 : (pastUs ?? clock.nowUs)));
  const speed = usePlayer(({ clock, pastUs }) => (pastUs === null ? clock.speed : 0));
  const [wentUs, setWentUs] = useState(0);
  const watched = lastsUs !== null && speed > 0 && lastsUs > leastSeenMs * 1_000 * speed;
  useEffect(() => {
    if (!watched) return;
    let frame = requestAnimationFrame(function look() {
      setWentUs(virtualNowUs());
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [watched]);
  return watched ? Math.max(stoodUs, wentUs) : stoodUs;
}

/** What is on its way to a display just now: seen line by line, where time goes slowly enough. */
function useComing(id: string, shown: OutputStateOf<'screen'> | undefined): Coming | null {
  const sending = shown?.sending ?? null;
  const nowUs = useNowUs(sending ? shown!.lastsUs : null);
  const parts = useGadget(({ document }) => document?.parts);
  const bus = useMemo(() => (parts ? displayBus({ parts }, id) : null), [parts, id]);
  const share = shown && sending ? (nowUs - shown.sentFromUs) / Math.max(1, shown.lastsUs) : 0;
  const thousandths = Math.round(1_000 * Math.min(1, Math.max(0, share)));
  return useMemo(
    () => (sending && bus && thousandths > 0 ? { drawn: sending, thousandths, bus } : null),
    [sending, thousandths, bus],
  );
}

export function ScreenInHand({ output }: { output: Screen }) {
  const { id, name, wideMm } = output;
  const shown = useOutput('screen', id);
  const drawn = shown?.glass ?? blank;
  const coming = useComing(id, shown);
  const shining = shown?.shining ?? shiningFully;
  const { colour } = shining;
  const bright = useBright(output, shining);
  const inks = useMemo(() => inLight(shownInks(output), colour), [output, colour]);
  return (
    <DisplayInCase id={id} name={name} wideMm={wideMm} ground={cssOf(inks[0]!)} bright={bright}>
      <Glass
        screen={output}
        drawn={drawn}
        coming={coming}
        inks={inks}
        label={`${name}: ${readOn(drawn).join(' / ')}`}
      />
    </DisplayInCase>
  );
}
