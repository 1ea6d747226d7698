import { ActionIcon, Button, TextInput, Tooltip } from '@mantine/core';
import { IconPlayerTrackNext } from '@tabler/icons-react';
import { useState, type FormEvent } from 'react';
import { readTime, showMoment, showTime, wantedTime } from '../shared/index.ts';
import { mostAheadUs, player, virtualNowUs } from '../workers/index.ts';
import classes from './Strip.module.css';

/** What is offered first: the next full ten seconds. */
const roundUs = 10_000_000;

/** Plays on to a moment as fast as that goes, and stops there: nobody has to wait for what comes after a minute. */
export function ToMoment() {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const open = () => {
    setError(null);
    setTyped(typed === null ? showTime((Math.floor(virtualNowUs() / roundUs) + 1) * roundUs) : null);
  };
  const go = (event: FormEvent) => {
    event.preventDefault();
    const atUs = readTime(typed!, roundUs);
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
    setTyped(null);
    player.playOnTo(atUs);
  };
  return (
    <>
      <Tooltip label="Play on to a moment">
        <ActionIcon
          variant="default"
          aria-label="Play on to a moment"
          aria-expanded={typed !== null}
          onClick={open}
        >
          <IconPlayerTrackNext size={16} />
        </ActionIcon>
      </Tooltip>
      {typed !== null && (
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
            onKeyDown={(event) => event.key === 'Escape' && setTyped(null)}
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
      )}
    </>
  );
}
