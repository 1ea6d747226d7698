import { Button, NativeSelect } from '@mantine/core';
import { IconCheck, IconHandStop, IconPlayerRecord, IconX } from '@tabler/icons-react';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useRevisions, useTrials, type RunJob, type StoredTrial } from '../../client/index.ts';
import { count, FirstStep, SheetFrame, showDuration } from '../../shared/index.ts';
import { useRecording } from '../../inhand/index.ts';
import { TrialDetail } from './TrialDetail.tsx';
import { useTrialActions } from './useTrialActions.ts';
import classes from './Trials.module.css';

/** Record what hands did, say what should have come of it, run it on any revision. */
export function TrialsPage() {
  const { gadgetId = '' } = useParams();
  const { data: trials, error } = useTrials(gadgetId);
  const actions = useTrialActions(gadgetId);
  const [search, setSearch] = useSearchParams();
  const chosenId = search.get('trial');
  const choose = (id: string) => setSearch({ trial: id }, { replace: true });
  const [revision, setRevision] = useState<number | null>(null);
  const { recording, start } = useRecording();
  const chosen = trials?.find(({ id }) => id === chosenId) ?? trials?.[0];
  const failure = error ?? actions.failure;
  const record = (
    <Button leftSection={<IconPlayerRecord size={17} />} onClick={start}>
      Record
    </Button>
  );
  return (
    <SheetFrame
      title="Trials"
      about="What hands did, and what should come of it; played again on any revision."
      tools={!recording && trials && trials.length > 0 && record}
    >
      {failure && (
        <p role="alert" className={classes.failure}>
          {failure.message}
        </p>
      )}
      {trials?.length === 0 && !recording && (
        <FirstStep action={record}>
          Record a round in hand. It becomes a script that plays the same way every time, and tells you at
          once when a change breaks what worked.
        </FirstStep>
      )}
      {trials && trials.length > 0 && (
        <>
          <div className={classes.bar}>
            <RevisionSelect gadgetId={gadgetId} value={revision} choose={setRevision} />
            {chosen && (
              <Button
                variant="default"
                size="sm"
                loading={actions.busy}
                onClick={() => actions.runAll([chosen], revision)}
              >
                Run this one
              </Button>
            )}
            <Button
              variant="default"
              size="sm"
              loading={actions.busy}
              onClick={() => actions.runAll(trials, revision)}
            >
              Run all
            </Button>
          </div>
          {actions.job && (
            <p role="status" className={classes.job}>
              {jobWords(actions.job)}
              <Button size="compact-sm" variant="default" onClick={actions.cancel}>
                Stop
              </Button>
            </p>
          )}
          <ul className={classes.list} aria-label="Trials">
            {trials.map((stored) => (
              <li key={stored.id}>
                <button
                  type="button"
                  aria-pressed={stored.id === chosen?.id}
                  onClick={() => choose(stored.id)}
                >
                  <span>{stored.trial.name}</span>
                  <LastRun stored={stored} />
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {chosen && (
        <TrialDetail
          key={chosen.id}
          gadgetId={gadgetId}
          stored={chosen}
          revision={revision}
          save={(trial) => actions.save(chosen, trial)}
          remove={() => actions.remove(chosen)}
        />
      )}
    </SheetFrame>
  );
}

function RevisionSelect({
  gadgetId,
  value,
  choose,
}: {
  gadgetId: string;
  value: number | null;
  choose: (revision: number | null) => void;
}) {
  const { data } = useRevisions(gadgetId);
  return (
    <NativeSelect
      aria-label="Run on"
      data={[
        { value: '', label: 'On what is on the bench' },
        ...(data ?? []).map(({ revision, name }) => ({
          value: String(revision),
          label: `On revision ${revision}${name === null ? '' : `, ${name}`}`,
        })),
      ]}
      value={value === null ? '' : String(value)}
      onChange={(event) =>
        choose(event.currentTarget.value === '' ? null : Number(event.currentTarget.value))
      }
    />
  );
}

function jobWords({ state, atUs, endUs, ahead }: RunJob): string {
  if (state === 'waiting') return `Waiting for ${count(ahead, 'other run')} to end.`;
  return `It takes its time: ${showDuration(atUs)} of ${showDuration(endUs)} played.`;
}

function LastRun({ stored: { runs, version } }: { stored: StoredTrial }) {
  const [last] = runs;
  if (!last) return <span className="soft">not run yet</span>;
  const { passed } = last.result;
  const Icon = passed === null ? IconHandStop : passed ? IconCheck : IconX;
  return (
    <span className={classes.last} data-passed={passed ?? undefined}>
      <Icon size={16} aria-hidden />
      {passed === null ? 'stopped' : passed ? 'passed' : 'failed'} on {last.revision}
      {last.version !== version && ', before it was changed'}
    </span>
  );
}
