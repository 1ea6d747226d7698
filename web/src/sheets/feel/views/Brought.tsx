import { Button as PushButton } from '@mantine/core';
import {
  cutTrace,
  fitContact,
  nextId,
  timeUnits,
  traceKindOf,
  usualQuietUs,
  type Button,
  type CutTrace,
  type Fit,
  type Fitted,
  type ReadTraces,
  type TimeUnit,
  type TraceRead,
  type WireTrace,
} from '@hum-lever/core';
import { useEffect, useMemo, useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { Choice, count, DurationField, ReadingNow, showDuration } from '../../../shared/index.ts';
import { useReading } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import classes from '../Feel.module.css';

/** A record as it came in, and what was said about it since. */
export interface Source {
  name: string;
  text: string;
  /** Confirmed by hand; null: as the record says, or as it was guessed. */
  unit: TimeUnit | null;
  sampleUs: number;
}

interface BroughtIn {
  source: Source;
  setSource: (source: Source | null) => void;
  control: Button;
}

export function Brought({ source, setSource, control }: BroughtIn) {
  const { reading, run, stop } = useReading();
  const [read, setRead] = useState<TraceRead | null>(null);
  useEffect(() => {
    let current = true;
    const { text, unit, sampleUs } = source;
    void run((reader) => reader.trace(text, unit, sampleUs)).then((come) => current && setRead(come));
    return () => {
      current = false;
    };
  }, [source, run]);
  if (!read) return <ReadingNow reading={reading} stop={stop} />;
  if (read.outcome === 'faulty')
    return (
      <p role="alert" className={classes.fault}>
        “{source.name}” cannot be read: {read.message} Nothing was changed.
      </p>
    );
  return (
    <Wires key={source.text} traces={read.value} source={source} setSource={setSource} control={control} />
  );
}

function Wires({ traces, source, setSource, control }: BroughtIn & { traces: ReadTraces }) {
  const [wire, setWire] = useState(0);
  const [quietUs, setQuiet] = useState(usualQuietUs);
  const trace = traces.wires[Math.min(wire, traces.wires.length - 1)]!;
  const kind = traceKindOf(source.text);
  const cut = useMemo(() => cutTrace(trace, quietUs), [trace, quietUs]);
  const fitted = useMemo(() => (cut.presses.length > 0 ? fitContact(cut) : null), [cut]);
  return (
    <section className="card" aria-label="What it holds">
      <h2 className={classes.cardTitle}>“{source.name}”</h2>
      <div className={classes.wants}>
        {traces.wires.length > 1 && (
          <Choice
            visible
            label="Wire"
            data={traces.wires.map(({ name }, n) => ({ value: String(n), label: name }))}
            value={String(wire)}
            choose={(value) => setWire(Number(value))}
          />
        )}
        {kind === 'csv' && (
          <Choice
            visible
            label={traces.said ? 'Times are in' : 'Times are in (guessed)'}
            data={Object.keys(timeUnits).map((unit) => ({ value: unit, label: unit === 'us' ? 'µs' : unit }))}
            value={traces.unit}
            choose={(unit) => setSource({ ...source, unit: unit as TimeUnit })}
          />
        )}
        {kind === 'samples' && (
          <DurationField
            label="A sample every"
            minUs={1}
            maxUs={100_000}
            step={0.1}
            value={source.sampleUs}
            commit={(sampleUs) => {
              setSource({ ...source, sampleUs });
              return null;
            }}
          />
        )}
        <DurationField
          label="A press is quiet for"
          minUs={100}
          maxUs={1_000_000}
          step={1}
          value={quietUs}
          commit={(us) => {
            setQuiet(us);
            return null;
          }}
        />
      </div>
      <p>{cutWords(trace, cut)}</p>
      {kind === 'csv' && !traces.said && (
        <div className={classes.confirm} role="status">
          The table does not name its unit. As it was guessed, the record is {showDuration(trace.endUs)} long.
          <PushButton size="compact-xs" onClick={() => setSource({ ...source, unit: traces.unit })}>
            That is right
          </PushButton>
        </div>
      )}
      {fitted && (kind !== 'csv' || traces.said) && (
        <Use cut={cut} fitted={fitted} name={source.name} control={control} done={() => setSource(null)} />
      )}
    </section>
  );
}

function cutWords(
  { edges, endUs }: WireTrace,
  { presses, spikesUs, breaksUs, left, idle }: CutTrace,
): string {
  const words = [
    `${count(edges.length, 'edge')} in ${showDuration(endUs)}`,
    `${count(presses.length, 'whole press', 'whole presses')}, each pulling the wire ${idle === 1 ? 'down' : 'up'}`,
  ];
  if (spikesUs.length > 0) words.push(count(spikesUs.length, 'spike'));
  if (breaksUs.length > 0) words.push(`${count(breaksUs.length, 'break')} while held`);
  if (left > 0) words.push(`${left} left out`);
  return `${words.join('; ')}.`;
}

const fitWords = ({ distance, critical }: Fit) =>
  `${distance.toFixed(2)} apart, where ${critical.toFixed(2)} can be chance: ${distance <= critical ? 'it fits' : 'it does not fit well'}`;

function Use({
  cut,
  fitted,
  name,
  control,
  done,
}: {
  cut: CutTrace;
  fitted: Fitted;
  name: string;
  control: Button;
  done: () => void;
}) {
  const gadget = useDocument();
  const { contact, closing, opening } = fitted;
  const change = changeOf<Button>(control.id);
  const [failure, setFailure] = useState<string | null>(null);
  const keep = () => {
    const captureId = nextId(gadget, 'capture');
    const refused = edit({
      name: 'several',
      args: [
        [
          { name: 'addCapture', args: [{ name: name.slice(0, 80), presses: cut.presses }] },
          { name: 'changeControl', args: [control.id, { contact: { ...contact, captureId } }] },
        ],
      ],
    });
    setFailure(refused);
    if (refused === null) done();
  };
  return (
    <>
      <p className="number">
        Closing up to {showDuration(contact.closeMaxUs)}, opening up to {showDuration(contact.openMaxUs)},
        edge to edge {showDuration(contact.gapMedianUs)}, one more {contact.againPerMille / 10} %.
      </p>
      <p className="soft">
        How long bounces last, captured against drawn from these figures: closing {fitWords(closing)}; opening{' '}
        {fitWords(opening)}.
      </p>
      <div className={classes.bringIn}>
        <PushButton
          size="compact-sm"
          onClick={() => {
            change({ contact });
            done();
          }}
        >
          Use the fitted figures
        </PushButton>
        <PushButton size="compact-sm" variant="default" onClick={keep}>
          Play these very presses
        </PushButton>
      </div>
      {failure && (
        <p role="alert" className={classes.fault}>
          {failure}
        </p>
      )}
    </>
  );
}
