import { Button } from '@mantine/core';
import {
  printSampleTable,
  sampleClock,
  storedSounds,
  type Board,
  type OutputOf,
  type Samples,
} from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../client/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { PickFile, saveFile, showBytes, showDuration } from '../../shared/index.ts';
import { readSound } from './readSound.ts';
import classes from './Sound.module.css';

/** Large ones: 3.91 kHz, 62.5 kHz, 16 MHz. */
const kilo = (hz: number) =>
  hz < 1_000_000
    ? `${Number((hz / 1_000).toFixed(2))}\u202fkHz`
    : `${Number((hz / 1_000_000).toFixed(2))}\u202fMHz`;

/** Sounds that lie in the program, played by the pulses of a pin: what they take, and tables made of one's own files. */
export function ProgramSounds({
  output,
  samples,
  board,
}: {
  output: OutputOf<'player'>;
  samples: Samples;
  board: Board | null;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const clock = board && sampleClock(board.clockHz, samples);
  const rateHz = clock?.rateHz ?? samples.rateHz;
  const rate = Number(rateHz.toFixed(1));
  const sounds = storedSounds({ outputs: [output] }, board?.clockHz ?? null);
  const bytes = sounds.reduce((sum, sound) => sum + sound.bytes, 0);

  /** The table of a sound as it is in a file, and its length in the document. */
  async function make(number: number, file: File): Promise<void> {
    const values = await readSound(file, rateHz);
    const of = output.files.find((one) => one.number === number)!;
    saveFile(`${of.name}.h`, 'text/x-c', printSampleTable(of.name, values, samples, board?.clockHz ?? null));
    const lengthUs = Math.max(1_000, Math.round((values.length * 1_000_000) / rateHz));
    const files = output.files.map((one) => (one.number === number ? { ...one, lengthUs } : one));
    setRefused(edit({ name: 'changeOutput', args: [output.id, { files }] }));
  }

  return (
    <>
      <p>
        Sounds that lie in the program, played by the width of a pin’s pulses.{' '}
        {clock
          ? `At ${kilo(board.clockHz)} and ${samples.bits} bits there are ${kilo(clock.carrierHz)} of pulses and ${rate} samples a second, a new one every ${clock.pulses === 1 ? 'pulse' : `${clock.pulses} pulses`}: ${showDuration(Math.round(1_000_000 / clock.rateHz))} after one the program has to hand over the next.`
          : 'How the board’s clock carries them is known once a board is chosen.'}{' '}
        Of a sound, nothing above {kilo(rateHz / 2)} gets through. In hand each is a sound that stands in for
        it.
      </p>
      <OutputFigures output={output} />
      {sounds.length > 0 && (
        <table className={classes.table} aria-label={`What ${output.name} takes of the program`}>
          <thead>
            <tr>
              <th>Sound</th>
              <th>Takes of the program</th>
              <th>As a table in C</th>
            </tr>
          </thead>
          <tbody>
            {sounds.map((sound) => (
              <tr key={sound.number}>
                <td>
                  {sound.number} {sound.name}
                </td>
                <td>{showBytes(sound.bytes)}</td>
                <td>
                  <PickFile
                    accept="audio/*"
                    take={(file) =>
                      void make(sound.number, file).catch((error: Error) => setRefused(error.message))
                    }
                  >
                    {(props) => (
                      <Button
                        {...props}
                        size="compact-xs"
                        variant="default"
                        aria-label={`Make the table of ${sound.name}`}
                      >
                        Make it of a sound file
                      </Button>
                    )}
                  </PickFile>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className={classes.soft}>
        Together {showBytes(bytes)}
        {board && ` of ${showBytes(board.flashBytes)} that the board has for programs`}.
      </p>
      {refused !== null && <p role="alert">{refused}</p>}
    </>
  );
}
