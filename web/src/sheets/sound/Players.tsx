import { Button } from '@mantine/core';
import { boardOf, type Gadget, type OutputOf } from '@hum-lever/core';
import { useState } from 'react';
import { saveFile, showDuration, usePlace } from '../../shared/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { lab } from '../../workers/index.ts';
import { ProgramSounds } from './ProgramSounds.tsx';
import classes from './Sound.module.css';

/** One that plays files: what they are, and how long it takes until they are heard. */
export function PlayerPart({ gadget, output }: { gadget: Gadget; output: OutputOf<'player'> }) {
  const { name, samples } = output;
  const { id, className } = usePlace(output.id);
  return (
    <section id={id} className={`${classes.part} ${className ?? ''}`} aria-label={name}>
      <h2>{name}</h2>
      {samples ? (
        <ProgramSounds output={output} samples={samples} board={boardOf(gadget)} />
      ) : (
        <CardFiles output={output} />
      )}
    </section>
  );
}

/** Files on the card of a module. */
function CardFiles({ output }: { output: OutputOf<'player'> }) {
  const [refused, setRefused] = useState<string | null>(null);
  const { name, files, tellUs, startUs } = output;
  const save = async () => saveFile(`${name} card.zip`, 'application/zip', await lab().cardFolder(output));
  return (
    <>
      <p>
        Files of a card, each told by its number. An order is {showDuration(tellUs)} on its way, and the sound
        begins {showDuration(startUs)} after it. In hand each file is a sound that stands in for it.
      </p>
      <OutputFigures output={output} />
      <p className={classes.lead}>
        <Button
          size="compact-sm"
          variant="default"
          disabled={files.length === 0}
          onClick={() => void save().catch((error: Error) => setRefused(error.message))}
        >
          Save the card’s folder
        </Button>
        <span className={classes.soft}>Stand-ins under their numbers, for yours to take their places.</span>
      </p>
      {refused !== null && <p role="alert">{refused}</p>}
    </>
  );
}
