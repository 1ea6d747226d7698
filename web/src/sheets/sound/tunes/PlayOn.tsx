import { Button, Group } from '@mantine/core';
import type { Gadget, Tune, Tuning } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { Choice } from '../../../shared/index.ts';
import { performedOn } from './performedOn.ts';

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
  const { states, initialId } = gadget.flow;
  const [stateId, setState] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const state = states.find(({ id }) => id === (stateId ?? initialId));
  if (!state) return null;
  const play = () => {
    const outputs = tunings.map(({ output }) => output);
    const told = performedOn(tune.id, tune.voices, outputs);
    setRefused(edit({ name: 'changeState', args: [state.id, { entry: [...state.entry, ...told] }] }));
  };
  return (
    <Group gap={6} role="group" aria-label={`Play ${tune.name}`}>
      On entering
      <Choice
        label="On entering"
        stage="state"
        data={states.map(({ id, name }) => ({ value: id, label: name }))}
        value={state.id}
        choose={setState}
      />
      <Button size="compact-sm" variant="default" onClick={play}>
        Play it there
      </Button>
      {refused !== null && <span role="alert">{refused}</span>}
    </Group>
  );
}
