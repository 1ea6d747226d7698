import { ActionIcon, Tooltip } from '@mantine/core';
import { IconAlertTriangle } from '@tabler/icons-react';
import { lightLevel, safelyShown, type Light, type LitLight } from '@hum-lever/core';
import { useEffect, useRef } from 'react';
import { create } from 'zustand';
import { virtualNowUs } from '../../workers/index.ts';
import classes from './Lamp.module.css';

/** Lifted by the maker for this session only: fast flashing can harm. */
const useCap = create<{ lifted: boolean }>(() => ({ lifted: false }));

/** A light, as bright as it is at this moment. Only one that changes by itself costs frames. */
export function Lamp({
  name,
  colour,
  lit,
  fast,
}: {
  name: string;
  colour: Light['colour'];
  lit: LitLight | undefined;
  fast: boolean;
}) {
  const lifted = useCap((state) => state.lifted);
  const lens = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const shown = lit && (lifted ? lit : safelyShown(lit));
    let frame = 0;
    const paint = () => {
      const atUs = virtualNowUs();
      const level = shown ? lightLevel(shown, Math.max(atUs, shown.sinceUs)) : 0;
      lens.current?.style.setProperty('--level', String(level / 100));
      const moves =
        shown &&
        (shown.light.mode === 'blink' ||
          shown.light.mode === 'pattern' ||
          (shown.light.mode === 'fade' && atUs < shown.sinceUs + shown.light.overUs));
      if (moves) frame = requestAnimationFrame(paint);
    };
    paint();
    return () => cancelAnimationFrame(frame);
  }, [lit, lifted]);
  return (
    <figure className={classes.light}>
      <span
        ref={lens}
        className={classes.lens}
        data-colour={colour}
        role="img"
        aria-label={`${name}: ${lit?.light.mode === 'level' ? `${lit.light.levelPercent} %` : (lit?.light.mode ?? 'off')}${lit?.colour ? `, ${lit.colour}` : ''}`}
      />
      <figcaption>{name}</figcaption>
      {fast && !lifted && (
        <Tooltip
          multiline
          w={260}
          label="This light blinks faster than three times a second, which can trigger seizures in some people; it is shown slower here. Press to see its true rate for this session. If you are at all photosensitive, do not."
        >
          <ActionIcon
            size="sm"
            variant="subtle"
            aria-label="Shown slower for safety; show the true rate"
            onClick={() => useCap.setState({ lifted: true })}
          >
            <IconAlertTriangle size={15} />
          </ActionIcon>
        </Tooltip>
      )}
    </figure>
  );
}
