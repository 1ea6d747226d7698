import { Button, Group } from '@mantine/core';
import { instrumentEdits, keySetsOf, playedIn, type Gadget } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../client/index.ts';
import { Choice } from '../../shared/index.ts';
import { useScale } from './FillForm.tsx';
import classes from './Sound.module.css';

/** Keys become an instrument: which of them, on what, from which scale. Nothing where there are no keys together. */
export function LetKeysPlay({ gadget, open }: { gadget: Gadget; open: boolean }) {
  const sets = keySetsOf(gadget).filter(({ controlIds }) => controlIds.length > 0);
  const outputs = gadget.outputs.filter(({ kind }) => kind === 'midi' || kind === 'tone');
  const [setId, setSet] = useState<string | null>(null);
  const [outputId, setOutput] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(open);
  const { chosen, fields } = useScale();
  const set = sets.find(({ id }) => id === setId) ?? sets[0];
  const output =
    outputs.find(({ id }) => id === outputId) ?? outputs.find(({ kind }) => kind === 'midi') ?? outputs[0];
  if (!set || !output) return null;
  if (!isOpen)
    return (
      <p data-begin>
        <Button size="compact-sm" variant="default" onClick={() => setOpen(true)}>
          Let keys play notes
        </Button>
      </p>
    );
  const layOut = () => {
    const wanted = { setId: set.id, outputId: output.id, stateId: playedIn(gadget), ...chosen };
    edit({ name: 'several', args: [instrumentEdits(gadget, wanted)] });
    setOpen(false);
  };
  return (
    <section className={classes.part} aria-label="Let keys play notes">
      <h2>Let keys play notes</h2>
      <Group gap={6} className={classes.fill!}>
        <Choice
          label="Keys"
          stage="gesture"
          data={sets.map(({ id, name }) => ({ value: id, label: name }))}
          value={set.id}
          choose={setSet}
        />
        play on
        <Choice
          label="Plays on"
          stage="output"
          data={outputs.map(({ id, name }) => ({ value: id, label: name }))}
          value={output.id}
          choose={setOutput}
        />
        {fields}
        <Button size="compact-sm" onClick={layOut}>
          Lay out {set.controlIds.length} keys
        </Button>
      </Group>
      <p className={classes.soft}>
        Their notes become a table, and two rules play them: pressed, a key begins its row; let go, it ends
        just what it began.
      </p>
    </section>
  );
}
