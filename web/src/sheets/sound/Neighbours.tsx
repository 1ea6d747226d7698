import { Button, Group } from '@mantine/core';
import { limits, neighbourKinds, nextId, type Gadget, type Neighbour } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../client/index.ts';
import { begin, Choice, Prose, TextField, usePlace, WhileWriting } from '../../shared/index.ts';
import { ChannelsField } from '../../outputs/midi/ChannelsField.tsx';
import { Source } from './source/Source.tsx';
import { MidiDoor } from './door/MidiDoor.tsx';
import classes from './Sound.module.css';

const kindWords = { notes: 'notes', programs: 'programs', controls: 'controllers and bends' } as const;
const all = neighbourKinds;
/** Every choice of kinds: what it takes, as words. */
const choices = Array.from({ length: 2 ** all.length - 1 }, (_, n) => {
  const kinds = all.filter((_kind, bit) => ((n + 1) >> bit) & 1);
  return { value: kinds.join(' '), kinds, label: kinds.map((kind) => kindWords[kind]).join(', ') };
});

/** Equipment that the maker owns: what it hears of the gadget's MIDI, and what it sends to it. */
export function Neighbours({ gadget }: { gadget: Gadget }) {
  const [refused, setRefused] = useState<string | null>(null);
  const [playing, setPlaying] = useState(false);
  const wires = gadget.outputs.flatMap((output) => (output.kind === 'midi' ? [output] : []));
  const add = () => {
    const id = nextId(gadget, 'neighbour');
    const name = `Equipment ${Number(id.slice(1))}`;
    begin(id);
    setRefused(
      edit({
        name: 'addNeighbour',
        args: [{ name, outputId: wires[0]?.id ?? null, channels: [], kinds: [...all] }],
      }),
    );
  };
  return (
    <section className={classes.part} aria-label="Beside it">
      <h2>Beside it</h2>
      <p className={classes.soft}>
        {gadget.neighbours.length === 0
          ? 'A stand-in hears all channels. Say what stands there, and whether its channels and messages fit is told before anything is built.'
          : 'As its makers’ papers have it: what is not taken there is not heard in hand either.'}
      </p>
      {gadget.neighbours.map((neighbour) => (
        <One key={neighbour.id} neighbour={neighbour} wires={wires} />
      ))}
      <Group gap={8} mb={8}>
        <Button
          size="compact-sm"
          variant="default"
          onClick={add}
          disabled={gadget.neighbours.length >= limits.neighbours}
        >
          Name what stands there
        </Button>
        <Button
          size="compact-sm"
          variant="default"
          aria-expanded={playing}
          onClick={() => setPlaying(!playing)}
        >
          Play it from outside
        </Button>
      </Group>
      {refused !== null && <p role="alert">{refused}</p>}
      {playing && <Source gadget={gadget} />}
      <MidiDoor wires={wires} />
    </section>
  );
}

function One({
  neighbour: { id, name, outputId, channels, kinds },
  wires,
}: {
  neighbour: Neighbour;
  wires: readonly { id: string; name: string }[];
}) {
  const place = usePlace(id);
  const put = (patch: Partial<Omit<Neighbour, 'id'>>) => edit({ name: 'changeNeighbour', args: [id, patch] });
  return (
    <p id={place.id} className={place.className}>
      <Prose id={id}>
        <TextField
          size="xs"
          aria-label="Name of the equipment"
          value={name}
          commit={(typed) => put({ name: typed.trim() })}
        />
        <Choice
          label="What it does"
          data={[
            ...wires.map((wire) => ({ value: wire.id, label: `hears ${wire.name}` })),
            { value: '', label: 'sends to the gadget' },
          ]}
          value={outputId ?? ''}
          choose={(chosen) => put({ outputId: chosen === '' ? null : chosen })}
        />
        on channels
        <ChannelsField
          label="Its channels"
          channels={channels}
          commit={(chosen) => put({ channels: chosen })}
        />
        {outputId === null ? 'and gives' : 'and takes'}
        <Choice
          label="Its messages"
          data={choices}
          value={all.filter((kind) => kinds.includes(kind)).join(' ')}
          choose={(chosen) => put({ kinds: choices.find(({ value }) => value === chosen)!.kinds })}
        />
        <WhileWriting>
          <Button
            size="compact-xs"
            variant="subtle"
            onClick={() => edit({ name: 'removeNeighbour', args: [id] })}
          >
            Take it away
          </Button>
        </WhileWriting>
      </Prose>
    </p>
  );
}
