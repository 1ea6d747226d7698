import { ActionIcon, Button } from '@mantine/core';
import { IconPlus, IconX } from '@tabler/icons-react';
import {
  blankFrame,
  cellDots,
  mostOwnCharacters,
  type OwnCharacter,
  type TextDisplay,
} from '@hum-lever/core';
import { useState, type KeyboardEvent } from 'react';
import { arrows } from '../../shared/arrows.ts';
import { TextField } from '../../shared/index.ts';
import classes from './OwnCharacters.module.css';

const { wide, high } = cellDots;
/** Characters that no display has of itself, and that makers often want. */
const wanted = ['♥', '●', '▶', '✓', '☾', '♪', '°', '█'];

/** The characters that a display of dots is given by the maker, drawn dot by dot. */
export function OwnCharacters({
  display,
  change,
}: {
  display: TextDisplay;
  change: (patch: { ownCharacters: OwnCharacter[] }) => string | null;
}) {
  const { ownCharacters } = display;
  const put = (at: number, own: OwnCharacter) =>
    change({ ownCharacters: ownCharacters.map((was, n) => (n === at ? own : was)) });
  const fresh = wanted.find((character) => ownCharacters.every((own) => own.character !== character));
  return (
    <div role="group" aria-label="Characters of its own" className={classes.all}>
      {ownCharacters.length > 0 && (
        <p className={classes.about}>
          Drawn dot by dot, and shown wherever the character below is written; there is room for{' '}
          {mostOwnCharacters}.
        </p>
      )}
      {ownCharacters.map((own, at) => (
        <div key={at} className={classes.one}>
          <Dots own={own} draw={(rows) => put(at, { ...own, rows })} />
          <div className={classes.name}>
            <TextField
              size="xs"
              aria-label={`Written as, character ${at + 1}`}
              value={own.character}
              commit={(character) => put(at, { ...own, character })}
            />
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label={`Take character ${own.character} out`}
              onClick={() => change({ ownCharacters: ownCharacters.filter((_, n) => n !== at) })}
            >
              <IconX size={15} />
            </ActionIcon>
          </div>
        </div>
      ))}
      {ownCharacters.length < mostOwnCharacters && fresh !== undefined && (
        <Button
          size="compact-xs"
          variant="default"
          leftSection={<IconPlus size={13} />}
          onClick={() =>
            change({ ownCharacters: [...ownCharacters, { character: fresh, rows: blankFrame(wide, high) }] })
          }
        >
          A character of its own
        </Button>
      )}
    </div>
  );
}

/** Forty dots, each of which is set or not: by a click, or by keys. */
function Dots({ own: { character, rows }, draw }: { own: OwnCharacter; draw: (rows: string[]) => void }) {
  const [mark, setMark] = useState(0);
  const turn = (dot: number) => {
    const [x, y] = [dot % wide, Math.floor(dot / wide)];
    const other = rows[y]![x] === '#' ? '.' : '#';
    draw(rows.map((row, n) => (n === y ? row.slice(0, x) + other + row.slice(x + 1) : row)));
  };
  const key = (event: KeyboardEvent<HTMLDivElement>) => {
    const arrow = arrows[event.key];
    if (!arrow) return;
    const by = arrow[0] + arrow[1] * wide;
    event.preventDefault();
    const next = (mark + by + wide * high) % (wide * high);
    setMark(next);
    event.currentTarget.querySelectorAll('button')[next]?.focus();
  };
  return (
    <div
      className={classes.dots}
      role="group"
      aria-label={`Dots of ${character}, arrow keys go from one to the next`}
      onKeyDown={key}
    >
      {rows.flatMap((row, y) =>
        [...row].map((dot, x) => {
          const at = y * wide + x;
          return (
            <button
              key={at}
              type="button"
              tabIndex={at === mark ? 0 : -1}
              aria-label={`Dot ${x + 1}, ${y + 1}`}
              aria-pressed={dot === '#'}
              onFocus={() => setMark(at)}
              onClick={() => turn(at)}
            />
          );
        }),
      )}
    </div>
  );
}
