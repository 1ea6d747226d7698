import { ActionIcon, Button, Tooltip } from '@mantine/core';
import {
  IconArrowsDiagonal,
  IconArrowsDiagonalMinimize2,
  IconPlayerRecord,
  IconVolume,
  IconVolumeOff,
} from '@tabler/icons-react';
import { setMuted, useSound } from './audio.ts';
import classes from './InHand.module.css';
import type { useLarge } from './useLarge.ts';
import type { useRecording } from './useRecording.ts';

export function LargeButton({ size, toggle }: ReturnType<typeof useLarge>) {
  const label = size === 'beside' ? 'Hold it large' : 'Put it back';
  return (
    <Tooltip label={`${label} (Shift H; Shift F fills the screen)`}>
      <ActionIcon
        variant="subtle"
        aria-label={label}
        aria-pressed={size !== 'beside'}
        onClick={() => toggle(size === 'screen' ? 'screen' : 'large')}
      >
        {size === 'beside' ? (
          <IconArrowsDiagonal size={18} stroke={1.7} />
        ) : (
          <IconArrowsDiagonalMinimize2 size={18} stroke={1.7} />
        )}
      </ActionIcon>
    </Tooltip>
  );
}

type Recorder = ReturnType<typeof useRecording>;

export function RecordButton({ recording, start }: Recorder) {
  return (
    <Tooltip label="Record a trial from here">
      <ActionIcon variant="subtle" aria-label="Record a trial" disabled={recording} onClick={start}>
        <IconPlayerRecord size={18} stroke={1.7} />
      </ActionIcon>
    </Tooltip>
  );
}

export function RecordingBar({ keep, forget, failure }: Recorder) {
  return (
    <div className={classes.recording} role="status">
      <strong>Recording.</strong> It was switched on anew; play it, then keep what you did.
      {failure !== null && <p role="alert">{failure}</p>}
      <div>
        <Button size="compact-sm" onClick={keep}>
          Stop and keep
        </Button>
        <Button size="compact-sm" variant="default" onClick={forget}>
          Forget it
        </Button>
      </div>
    </div>
  );
}

export function MuteButton() {
  const muted = useSound((state) => state.muted);
  const refused = useSound((state) => state.refused);
  const label = refused === null ? (muted ? 'Sound on' : 'Mute') : `No sound: ${refused}`;
  return (
    <Tooltip label={label}>
      <ActionIcon variant="subtle" aria-label={label} aria-pressed={muted} onClick={() => setMuted(!muted)}>
        {muted ? <IconVolumeOff size={18} stroke={1.7} /> : <IconVolume size={18} stroke={1.7} />}
      </ActionIcon>
    </Tooltip>
  );
}
