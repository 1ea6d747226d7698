import { ActionIcon, Tooltip } from '@mantine/core';
import { IconPlayerTrackNext } from '@tabler/icons-react';
import { Suspense, useState } from 'react';
import { onDemand } from '../shared/index.ts';

const ToMomentForm = onDemand(() => import('./ToMomentForm.tsx'));

/** Plays on to a moment as fast as that goes, and stops there: nobody has to wait for what comes after a minute. */
export function ToMoment() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Tooltip label="Play on to a moment">
        <ActionIcon
          variant="default"
          aria-label="Play on to a moment"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          <IconPlayerTrackNext size={16} />
        </ActionIcon>
      </Tooltip>
      {open && (
        <Suspense>
          <ToMomentForm close={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
