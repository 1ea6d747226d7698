import { Button } from '@mantine/core';
import type { Expectation, SnagWay, Trial } from '@hum-lever/core';
import { useState } from 'react';
import { keepTrial } from '../client/index.ts';

/** Keeps a way as a trial that expects what it is there to show, to be played and judged on any revision. */
export function KeepWay({
  way: { seed, stimuli, endUs },
  name,
  expected,
}: {
  way: Pick<SnagWay, 'seed' | 'stimuli' | 'endUs'>;
  name: string;
  /** At its end. */
  expected: readonly Expectation['what'][];
}) {
  const [said, setSaid] = useState<string | null>(null);
  const keep = async () => {
    const { trial } = await keepTrial({
      // What a name can hold.
      name: name.slice(0, 80),
      seed,
      stimuli: stimuli as Trial['stimuli'],
      endUs,
      expectations: expected.map((what, n) => ({ id: `e${n + 1}`, what, when: { kind: 'at', atUs: endUs } })),
    });
    setSaid(`Kept on the Trials sheet as “${trial.name}”.`);
  };
  if (said !== null) return <span role="status">{said}</span>;
  return (
    <Button
      size="compact-sm"
      variant="default"
      onClick={() => void keep().catch((error: Error) => setSaid(error.message))}
    >
      Keep as a trial
    </Button>
  );
}
