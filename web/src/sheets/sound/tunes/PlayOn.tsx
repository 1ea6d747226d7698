import { Button, Group } from '@mantine/core';
import type { Gadget, Tune, Tuning } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { performedOn } from './performedOn.ts';
import { useEntered } from './useEntered.tsx';

/** A tune that nothing plays yet is played on entering a state: each voice on a sounder of its own, as far as there are. */
export function PlayOn({
  gadget,
  tune,
  tunings,
}: {
  gadget: Gadget;
  tune: Tune;
  tunings: readonly Tuning[];
}) {
  const entered = useEntered(gadget);
  const [refused, setRefused] = useState<string | null>(null);
  if (!entered) return null;
  const { state, choice } = entered;
  const play = () => {
    const outputs = tunings.map(({ output }) => output);
    const told = performedOn(tune.id, tune.voices, outputs);
    setRefused(edit({ name: 'changeState', args: [state.id, { entry: [...state.entry, ...told] }] }));
  };
  return (
    <Group gap={6} role="group" aria-label={`Play ${tune.name}`}>
      On entering
      {choice}
      <Button size="compact-sm" variant="default" onClick={play}>
        Play it there
      </Button>
      {refused !== null && <span role="alert">{refused}</span>}
    </Group>
  );
}
