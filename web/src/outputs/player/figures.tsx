import { Button } from '@mantine/core';
import { limits, type OutputOf } from '@hum-lever/core';
import { DurationField, NumberField, TextField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';
import classes from './Player.module.css';

type File = OutputOf<'player'>['files'][number];

/** Its files: number, name and length of each. */
export const player: FiguresOf<'player'> = ({ output, change }) => {
  const { files, name } = output;
  const put = (number: number, patch: Partial<File>) =>
    change({ files: files.map((file) => (file.number === number ? { ...file, ...patch } : file)) });
  const free = Array.from({ length: 255 }, (_, n) => n + 1).find(
    (number) => !files.some((file) => file.number === number),
  );
  return (
    <div role="group" aria-label={`Files of ${name}`}>
      {files.map((file) => (
        <p key={file.number} className={classes.file}>
          file
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
        Name a file of its card
      </Button>
    </div>
  );
};
