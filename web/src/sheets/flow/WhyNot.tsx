import { Button } from '@mantine/core';
import { showExpression, whyNot, type Gadget, type WhyNot as Found } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { showMoment } from '../../shared/index.ts';
import { traceNow, usePlayer, virtualNowUs } from '../../workers/index.ts';
import { placeWords } from './UsesMenu.tsx';
import classes from './Flow.module.css';

/** Which part of trigger, state and condition held a rule back, at the moment that the strip stands at. */
export default function WhyNot({ ruleId, close }: { ruleId: string; close: () => void }) {
  const gadget = useDocument();
  const pastUs = usePlayer((state) => state.pastUs);
  usePlayer((state) => state.traceVersion);
  const found = whyNot(gadget, traceNow(), ruleId, pastUs ?? virtualNowUs());
  return (
    <div className={classes.why} role="status" aria-label="Why it did not fire">
      {found && sentences(gadget, found).map((sentence) => <p key={sentence}>{sentence}</p>)}
      <p className={classes.typedHint}>
        Looked at {pastUs === null ? 'now' : `at ${showMoment(pastUs)}`}; walk the strip back to look at
        another moment.
      </p>
      <Button size="compact-xs" variant="default" onClick={close}>
        Close
      </Button>
    </div>
  );
}

function sentences(gadget: Gadget, found: Found): string[] {
  const { active, activeIds, heardUs, timed, unmarked, guard, instead, firedUs } = found;
  const names = activeIds
    .map((id) => gadget.flow.states.find((state) => state.id === id)?.name ?? '')
    .join(' and ');
  if (firedUs !== null && (heardUs === null || firedUs >= heardUs))
    return [`It did fire, at ${showMoment(firedUs)}.`];
  const said: string[] = [];
  if (!timed && !unmarked)
    said.push(
      heardUs === null
        ? 'What it waits for has not come yet.'
        : `What it waits for came last at ${showMoment(heardUs)}.`,
    );
  said.push(
    active ? `Its state was active then (${names}).` : `Its state was not active: it stood in ${names}.`,
  );
  for (const { text, holds } of guard) {
    const shown = showExpression(text, gadget);
    said.push(
      holds === null
        ? `Whether ${shown} held cannot be told afterwards.`
        : `${shown} ${holds ? 'held' : 'did not hold'}.`,
    );
  }
  if (instead !== null) said.push(`${placeWords(gadget, { kind: 'rule', id: instead })} answered instead.`);
  if (timed && active) said.push('Its timer had not run out yet, or its condition did not hold when it did.');
  return said;
}
