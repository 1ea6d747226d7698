import { Button, Group } from '@mantine/core';
import { limits, nextId, type Gadget, type Tuning } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { BringPiece } from './BringPiece.tsx';
import { OneTune } from './OneTune.tsx';
import classes from './Tunes.module.css';

/** As a first tune is: four bars of four beats, and nothing in them. */
const fresh = {
  beatsPerMinute: 120,
  stepsPerBeat: 4,
  swingPercent: 50,
  heldPercent: 90,
  sections: [{ name: 'All', steps: 32, times: 1 }],
  againFrom: null,
};

/** Tunes on a grid of time, each with where it is played. */
export function Tunes({ gadget, tunings }: { gadget: Gadget; tunings: readonly Tuning[] }) {
  const [refused, setRefused] = useState<string | null>(null);
  const { tunes } = gadget;
  const write = () => {
    const name = `Tune ${Number(nextId(gadget, 'tune').slice(1))}`;
    setRefused(
      edit({ name: 'addTune', args: [{ ...fresh, name, voices: [{ name: 'Melody', notes: [] }] }] }),
    );
  };
  return (
    <section aria-label="Tunes" data-begin={tunes.length === 0 || undefined}>
      {tunes.map((tune) => (
        <OneTune key={tune.id} gadget={gadget} tune={tune} tunings={tunings} />
      ))}
      <Group gap={8} className={tunes.length > 0 ? classes.more! : ''}>
        <Button size="compact-sm" variant="default" onClick={write} disabled={tunes.length >= limits.tunes}>
          Write a tune
        </Button>
        <BringPiece gadget={gadget} sounders={tunings.map(({ output }) => output)} />
      </Group>
      {refused !== null && <p role="alert">{refused}</p>}
    </section>
  );
}
