import { Button } from '@mantine/core';
import { limits, sampleBits, type OutputOf } from '@hum-lever/core';
import { Choice, DurationField, NumberField, TextField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';
import { NearestEar } from '../NearestEar.tsx';
import classes from './Player.module.css';

type File = OutputOf<'player'>['files'][number];

/** Its files, number, name and length of each; how they are stored, where they lie in the program; the nearest ear. */
export const player: FiguresOf<'player'> = ({ output, change }) => {
  const { files, name, samples } = output;
  const put = (number: number, patch: Partial<File>) =>
    change({ files: files.map((file) => (file.number === number ? { ...file, ...patch } : file)) });
  const free = Array.from({ length: 255 }, (_, n) => n + 1).find(
    (number) => !files.some((file) => file.number === number),
  );
  return (
    <div role="group" aria-label={`Files of ${name}`}>
      {files.map((file) => (
        <p key={file.number} className={classes.file}>
          {samples ? 'sound' : 'file'}
          <NumberField
            label=""
            aria-label="Number"
            width={68}
            min={1}
            max={255}
            value={file.number}
            commit={(number) =>
              number !== file.number && files.some((one) => one.number === number)
                ? `Expected a number that no other file has; ${number} is “${files.find((one) => one.number === number)!.name}”.`
                : put(file.number, { number })
            }
          />
          <TextField
            size="xs"
            aria-label={`Name of file ${file.number}`}
            value={file.name}
            commit={(typed) => put(file.number, { name: typed.trim() })}
          />
          lasts
          <DurationField
            label=""
            aria-label={`Length of file ${file.number}`}
            width={110}
            step={100}
            value={file.lengthUs}
            commit={(lengthUs) => put(file.number, { lengthUs })}
          />
          <Button
            size="compact-xs"
            variant="subtle"
            aria-label={`Take away file ${file.number}`}
            onClick={() => change({ files: files.filter(({ number }) => number !== file.number) })}
          >
            Take it away
          </Button>
        </p>
      ))}
      <Button
        size="compact-sm"
        variant="default"
        disabled={files.length >= limits.files || free === undefined}
        onClick={() =>
          change({ files: [...files, { number: free!, name: `Sound ${free!}`, lengthUs: 2_000_000 }] })
        }
      >
        {samples ? 'Name a sound of the program' : 'Name a file of its card'}
      </Button>
      <p className={classes.file}>
        {samples && (
          <>
            <span>samples</span>
            <NumberField
              label=""
              aria-label={`Samples a second of ${name}`}
              unit="a second"
              width={150}
              min={4_000}
              max={48_000}
              value={samples.rateHz}
              commit={(rateHz) => change({ samples: { ...samples, rateHz } })}
            />
            <Choice
              label={`Bits of each sample of ${name}`}
              data={sampleBits.map((bits) => ({ value: String(bits), label: `of ${bits} bits` }))}
              value={String(samples.bits)}
              choose={(chosen) => {
                const bits = sampleBits.find((one) => String(one) === chosen);
                if (bits !== undefined) change({ samples: { ...samples, bits } });
              }}
            />
          </>
        )}
        <NearestEar output={output} change={change} />
      </p>
    </div>
  );
};
