import { Button as PushButton } from '@mantine/core';
import type { Button } from '@hum-lever/core';
import { useState } from 'react';
import { useDocument, useGadget } from '../../client/index.ts';
import { count } from '../../shared/index.ts';
import { traceNow, usePlayer } from '../../workers/index.ts';
import classes from './Feel.module.css';
import { outcomeSince, playScenario, scenarios, type Outcome, type Scenario } from './scenarios.ts';

/** Hands as they are, played on the gadget: and what became of each. */
export function Scenarios({ control }: { control: Button }) {
  const gadget = useDocument();
  const running = usePlayer((state) => state.running && state.pastUs === null);
  const [playing, setPlaying] = useState<Scenario | null>(null);
  const [played, setPlayed] = useState<{ sinceUs: number; storm: boolean } | null>(null);
  usePlayer((state) => state.traceVersion);
  const play = async (scenario: Scenario) => {
    setPlaying(scenario);
    const sinceUs = await playScenario(gadget, control, scenario, () => useGadget.getState().document);
    setPlayed({ sinceUs, storm: scenario.contact !== undefined });
    setPlaying(null);
  };
  return (
    <div className={classes.scenarios}>
      {scenarios.map((scenario) => (
        <PushButton
          key={scenario.id}
          size="compact-sm"
          variant="default"
          disabled={playing !== null || !running}
          onClick={() => void play(scenario)}
        >
          {scenario.label}
        </PushButton>
      ))}
      <p role="status">
        {!running && 'Time stands still: let it run to play.'}
        {running && playing && `${playing.label}…`}
        {running &&
          !playing &&
          played &&
          outcomeWords(outcomeSince(traceNow(), control.id, played.sinceUs), played.storm)}
      </p>
    </div>
  );
}

function outcomeWords({ presses, through, again, lost }: Outcome, storm: boolean): string {
  if (storm)
    return through + again === 0
      ? 'Nobody pressed, and nothing came through.'
      : `Nobody pressed, and ${count(through + again, 'press', 'presses')} came through.`;
  const parts = [`${count(presses, 'press', 'presses')}: ${through} came through`];
  if (again > 0) parts.push(`${again} more than were made`);
  if (lost > 0) parts.push(`${lost} lost, and the strip says why`);
  return `${parts.join(', ')}.`;
}
