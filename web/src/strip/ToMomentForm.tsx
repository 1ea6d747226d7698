import { Button, TextInput } from '@mantine/core';
import { useState, type FormEvent } from 'react';
import { readTime, showMoment, showTime, wantedTime } from '../shared/index.ts';
import { mostAheadUs, player, virtualNowUs } from '../workers/index.ts';
import classes from './Strip.module.css';

/** What is offered first: the next full ten seconds. */
const roundUs = 10_000_000;

/** Which moment is to be played on to. */
export default function ToMomentForm({ close }: { close: () => void }) {
  const [typed, setTyped] = useState(() => showTime((Math.floor(virtualNowUs() / roundUs) + 1) * roundUs));
  const [error, setError] = useState<string | null>(null);
  const go = (event: FormEvent) => {
    event.preventDefault();
    const atUs = readTime(typed, roundUs);
    const nowUs = Math.ceil(virtualNowUs());
    const refused =
      atUs === null
        ? wantedTime
        : atUs <= nowUs
          ? `It is ${showMoment(nowUs)} since power-up already; what was lies on the strip.`
          : atUs - nowUs > mostAheadUs
            ? `Expected at most ${showTime(mostAheadUs)} from now.`
            : null;
    setError(refused);
    if (refused !== null || atUs === null) return;
    close();
    player.playOnTo(atUs);
  };
  return (
    <form className={classes.toMoment} onSubmit={go}>
      <TextInput
        size="xs"
        w={110}
        aria-label="Moment since power-up"
        autoFocus
        value={typed}
        error={error !== null}
        aria-describedby={error === null ? undefined : 'to-moment-refused'}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Escape' && close()}
      />
      <Button type="submit" size="compact-sm">
        Play on to it
      </Button>
      {error !== null && (
        <span id="to-moment-refused" role="alert" className={classes.refused}>
          {error}
        </span>
      )}
    </form>
  );
}
