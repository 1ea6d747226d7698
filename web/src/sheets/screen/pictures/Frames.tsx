import { ActionIcon, Button } from '@mantine/core';
import {
  IconChevronLeft,
  IconChevronRight,
  IconCopy,
  IconPlayerPlay,
  IconPlayerStop,
  IconPlus,
  IconX,
} from '@tabler/icons-react';
import { blankFrame, limits, type Picture } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { edit } from '../../../client/index.ts';
import { DurationField } from '../../../shared/index.ts';
import { FramePixels } from './FramePixels.tsx';
import classes from './Pictures.module.css';

/** How long a frame is seen while it is looked at here; on a page an expression says which one is. */
const usualUs = 200_000;
const leastUs = 40_000;

/** The frames of a picture side by side, and how they follow one another. */
export function Frames({
  picture,
  frame,
  choose,
}: {
  picture: Picture;
  frame: number;
  choose: (frame: number) => void;
}) {
  const { frames, id } = picture;
  const rows = frames[frame]!;
  const [everyUs, setEveryUs] = useState(usualUs);
  const [playing, setPlaying] = useState(false);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setNow((n) => n + 1), everyUs / 1_000);
    return () => clearInterval(timer);
  }, [playing, everyUs]);
  const full = frames.length >= limits.pictureFrames;
  const add = (drawn: typeof rows) => {
    if (edit({ name: 'addFrame', args: [id, frame + 1, drawn] }) === null) choose(frame + 1);
  };
  const move = (by: number) => {
    edit({ name: 'moveFrame', args: [id, frame, by] });
    choose(frame + by);
  };
  return (
    <div className={classes.frames}>
      {frames.length > 1 && (
        <ol aria-label="Frames">
          {frames.map((one, n) => (
            <li key={n}>
              <button
                type="button"
                className={classes.thumb}
                aria-label={`Frame ${n + 1}`}
                aria-pressed={n === frame}
                data-chosen={n === frame || undefined}
                onClick={() => choose(n)}
              >
                <FramePixels rows={one} />
              </button>
              <span className="number">{n}</span>
            </li>
          ))}
        </ol>
      )}
      <div className={classes.options}>
        <Button
          size="compact-xs"
          variant="default"
          leftSection={<IconPlus size={13} />}
          disabled={full}
          onClick={() => add(blankFrame(rows[0]!.length, rows.length))}
        >
          Add a frame
        </Button>
        <Button
          size="compact-xs"
          variant="default"
          leftSection={<IconCopy size={13} />}
          disabled={full}
          onClick={() => add(rows)}
        >
          Add one like this
        </Button>
        {frames.length > 1 && (
          <>
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label="This frame earlier"
              disabled={frame === 0}
              onClick={() => move(-1)}
            >
              <IconChevronLeft size={16} />
            </ActionIcon>
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label="This frame later"
              disabled={frame === frames.length - 1}
              onClick={() => move(1)}
            >
              <IconChevronRight size={16} />
            </ActionIcon>
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label="Take this frame out"
              onClick={() => {
                edit({ name: 'removeFrame', args: [id, frame] });
                choose(Math.max(0, frame - 1));
              }}
            >
              <IconX size={16} />
            </ActionIcon>
            <Button
              size="compact-xs"
              variant="default"
              leftSection={playing ? <IconPlayerStop size={13} /> : <IconPlayerPlay size={13} />}
              onClick={() => setPlaying(!playing)}
            >
              {playing ? 'Stop' : 'See it move'}
            </Button>
            <DurationField
              label=""
              aria-label="A frame every"
              width={92}
              minUs={leastUs}
              value={everyUs}
              commit={(us) => {
                setEveryUs(Math.max(leastUs, us));
                return null;
              }}
            />
            {playing && (
              <span className={classes.moving}>
                <FramePixels rows={frames[now % frames.length]!} label={`${picture.name}, moving`} />
              </span>
            )}
          </>
        )}
      </div>
    </div>
  );
}
