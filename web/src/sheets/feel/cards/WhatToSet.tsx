import { Button as PushButton } from '@mantine/core';
import type { ReactNode } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { DurationField, StageIcon } from '../../../shared/index.ts';
import classes from '../Feel.module.css';

/** The card that says what to set for a control, and why. */
export function AdviceFrame({ children }: { children: ReactNode }) {
  return (
    <fieldset className={`card ${classes.advice}`}>
      <legend>
        <StageIcon stage="clean" /> What to set
      </legend>
      {children}
    </fieldset>
  );
}

/** The setting in bold, the reason after it, and one action that takes it. */
export function Verdict({
  setting,
  met,
  taken,
  take,
  now,
  children,
}: {
  setting: ReactNode;
  /** Whether it keeps what is asked of it. */
  met: boolean;
  taken: boolean;
  take: () => void;
  /** What is set now, where that is something else. */
  now?: ReactNode;
  children: ReactNode;
}) {
  return (
    <>
      <p className={classes.verdict} data-met={met || undefined}>
        <strong>{setting}</strong> {children}
      </p>
      <div className={classes.apply}>
        {taken ? (
          <span className={classes.inHand}>This is what is set.</span>
        ) : (
          <PushButton size="compact-sm" onClick={take}>
            Set what is recommended
          </PushButton>
        )}
        {!taken && now}
      </div>
    </>
  );
}

/** How often the loop reads its inputs: one for all of them. */
export function LoopField({ label }: { label: string }) {
  const { loop } = useDocument();
  return (
    <DurationField
      width="100%"
      label={label}
      minUs={50}
      maxUs={1_000_000}
      step={0.5}
      value={loop.periodUs}
      commit={(periodUs) => edit({ name: 'setLoopPeriod', args: [periodUs] })}
    />
  );
}
