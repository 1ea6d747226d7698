import { ActionIcon, Button, Tooltip } from '@mantine/core';
import { IconEye, IconTrash } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import type { Expectation, Trial, TrialLimit, TrialResult } from '@hum-lever/core';
import { api, useDocument, type StoredTrial } from '../../client/index.ts';
import { count, showDuration, TextField } from '../../shared/index.ts';
import { player } from '../../workers/index.ts';
import { sayStill } from '../../words/index.ts';
import { freshExpectationId } from './describe.ts';
import { ExpectationLine, subjects } from './ExpectationLine.tsx';
import { RunAxis } from './RunAxis.tsx';
import { useLocalRun } from './useLocalRun.ts';
import classes from './Trials.module.css';

interface TrialDetailProps {
  gadgetId: string;
  stored: StoredTrial;
  /** null: what is on the bench. */
  revision: number | null;
  save: (trial: Trial) => void;
  remove: () => void;
}

const verdictWords = ({ passed }: TrialResult) =>
  passed === null ? 'Neither passes nor fails' : passed ? 'Passes' : 'Fails';

const limitWords: Record<TrialLimit, string> = {
  time: 'playing it on takes too long',
  memory: 'playing it on takes too much memory',
  entries: 'more happens in it than can be kept',
  work: 'playing it on is too dear',
};
const stoppedWords = ({ atUs, by }: { atUs: number; by: TrialLimit }) =>
  `It was stopped after ${showDuration(atUs)}: ${limitWords[by]}.`;

/** One trial: its run on the time axis, and what is expected of it. */
export function TrialDetail({ gadgetId, stored, revision, save, remove }: TrialDetailProps) {
  const onBench = useDocument();
  const old = useQuery({
    queryKey: ['revision', gadgetId, revision],
    queryFn: () => api.revision(gadgetId, revision!),
    enabled: revision !== null,
    staleTime: Infinity,
  });
  const gadget = revision === null ? onBench : (old.data?.document ?? null);
  const { trial } = stored;
  const { run, atUs } = useLocalRun(gadget, trial);
  const put = (expectations: Expectation[]) => {
    save({ ...trial, expectations });
    return null;
  };
  const addExpectation = () => {
    const [first] = subjects(onBench);
    if (first)
      put([
        ...trial.expectations,
        {
          id: freshExpectationId(trial.expectations),
          what: first.what,
          when: { kind: 'at', atUs: trial.endUs },
        },
      ]);
  };
  const resultOf = (id: string) => run?.result.expectations.find((one) => one.id === id);
  return (
    <section className={`card ${classes.detail}`} aria-label={`Trial ${trial.name}`}>
      <header className={classes.detailHead}>
        <TextField
          className={classes.trialName!}
          variant="unstyled"
          aria-label="Name of the trial"
          value={trial.name}
          commit={(name) =>
            name.trim() === '' ? 'expected a name' : (save({ ...trial, name: name.trim() }), null)
          }
        />
        <Tooltip label="The gadget in hand plays it, in real time">
          <Button
            size="compact-sm"
            variant="default"
            leftSection={<IconEye size={16} />}
            onClick={() => player.watch(onBench, trial)}
          >
            Watch in hand
          </Button>
        </Tooltip>
        <ActionIcon variant="subtle" aria-label={`Remove the trial ${trial.name}`} onClick={remove}>
          <IconTrash size={18} stroke={1.7} />
        </ActionIcon>
      </header>
      {atUs !== null && (
        <p className={classes.summary} role="status">
          Playing it: {showDuration(atUs)} of {showDuration(trial.endUs)}.
        </p>
      )}
      {run && run.trial === trial && (
        <>
          <p className={classes.summary} role="status">
            <strong data-passed={run.result.passed ?? undefined}>{verdictWords(run.result)}</strong> on{' '}
            {revision === null ? 'what is on the bench' : `revision ${revision}`}: {showDuration(trial.endUs)}
            , {count(trial.stimuli.filter(({ what }) => what === 'down').length, 'press', 'presses')}
            {run.result.swallowed > 0 && `, ${run.result.swallowed} swallowed`}
            {run.result.extra > 0 && `, ${run.result.extra} came twice`}
            {run.result.missingControls.length > 0 &&
              `, ${count(run.result.missingControls.length, 'control')} missing`}
            .{run.result.stopped && ` ${stoppedWords(run.result.stopped)}`}
            {run.result.still && ` ${sayStill(run.gadget, run.result.still)}`}
          </p>
          <RunAxis gadget={run.gadget} trial={trial} trace={run.trace} result={run.result} />
        </>
      )}
      <h2>Expected</h2>
      <ol className={classes.expectations}>
        {trial.expectations.map((expectation, index) => (
          <ExpectationLine
            key={expectation.id}
            number={index + 1}
            expectation={expectation}
            result={resultOf(expectation.id)}
            endUs={trial.endUs}
            put={(changed) => put(trial.expectations.map((one) => (one === expectation ? changed : one)))}
            remove={() => put(trial.expectations.filter((one) => one !== expectation))}
          />
        ))}
      </ol>
      <Button
        size="compact-sm"
        variant="default"
        onClick={addExpectation}
        disabled={subjects(onBench).length === 0}
      >
        Add an expectation
      </Button>
    </section>
  );
}
