import '../../../shared/styles/toggle.css';
import { Button as PushButton, Switch } from '@mantine/core';
import {
  adviseEncoder,
  encoderPart,
  stepsPerTurn,
  type Encoder,
  type EncoderReading,
  type SpeedRow,
  type TraceEntry,
} from '@hum-lever/core';
import { useCallback } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { Choice, count, DurationField, NumberField, showDuration, StageIcon } from '../../../shared/index.ts';
import { lab, player, traceNow, useAnswer, usePlayer } from '../../../workers/index.ts';
import { ContactCard } from '../cards/ContactCard.tsx';
import { changeOf } from '../cards/change.ts';
import { AdviceFrame, LoopField, Verdict } from '../cards/WhatToSet.tsx';
import { Axis, Level, Moments, Row, Windows } from '../Drawing.tsx';
import classes from '../Feel.module.css';
import { lastTurn, type RealTurn } from './turn.ts';

/** An encoder: its last turn from both channels to steps, how it is read, and how fast it may be turned. */
export function TurnPage({ control }: { control: Encoder }) {
  return (
    <>
      <LastTurn control={control} />
      <EncoderAdvice control={control} />
      <div className={classes.settings}>
        <ContactCard
          contact={control.contact}
          change={(contact) => changeOf<Encoder>(control.id)({ contact })}
        />
        <ReadingCard control={control} />
      </div>
      <Speeds control={control} />
    </>
  );
}

function LastTurn({ control }: { control: Encoder }) {
  const pastUs = usePlayer((state) => state.pastUs);
  usePlayer((state) => state.traceVersion);
  const { quickTurnUs } = useDocument().hands;
  const { detents } = encoderPart(useDocument(), control.id);
  const turn = lastTurn(traceNow() as TraceEntry[], control.id, pastUs ?? Infinity);
  const quick = (times: number) =>
    player.touch(control.id, {
      what: 'turn',
      detents: times,
      overUs: Math.round((quickTurnUs * Math.abs(times)) / detents),
    });
  return (
    <section aria-label="The last turn">
      <div className={classes.viewBar}>
        <h2>The last turn of {control.name}</h2>
        <PushButton
          size="compact-sm"
          variant="default"
          onClick={() => player.touch(control.id, { what: 'turn', detents: 1, overUs: 60_000 })}
        >
          One click on
        </PushButton>
        <PushButton
          size="compact-sm"
          variant="default"
          onClick={() => player.touch(control.id, { what: 'turn', detents: -1, overUs: 60_000 })}
        >
          One click back
        </PushButton>
        <PushButton size="compact-sm" variant="default" onClick={() => quick(detents)}>
          A quick whole turn
        </PushButton>
      </div>
      {turn ? (
        <Drawn turn={turn} />
      ) : (
        <p className="card">Turn {control.name} in hand, once: both channels show here.</p>
      )}
    </section>
  );
}

function Drawn({ turn }: { turn: RealTurn }) {
  const windows = [{ fromUs: turn.fromUs - turn.spanUs * 0.04, toUs: turn.fromUs + turn.spanUs * 1.08 }];
  return (
    <div className={`card ${classes.grid}`}>
      <Row stage="contact" label="Channel A" words={`${turn.a.length} edges`}>
        <Windows windows={windows}>
          {(scale) => <Level edges={turn.a} before={turn.beforeA} stage="contact" scale={scale} />}
        </Windows>
      </Row>
      <Row stage="contact" label="Channel B" words={`${turn.b.length} edges`}>
        <Windows windows={windows}>
          {(scale) => <Level edges={turn.b} before={turn.beforeB} stage="contact" scale={scale} />}
        </Windows>
      </Row>
      <Row
        stage="clean"
        label="Counted"
        words={`${turn.counts} counts${turn.missed > 0 ? `, ${turn.missed} missed` : ''}`}
      >
        <Windows windows={windows}>
          {(scale) => <Moments moments={turn.counted} scale={scale} stage="clean" />}
        </Windows>
      </Row>
      <Row stage="gesture" label="Steps" words={`${turn.steps} of ${turn.detents} clicks`}>
        <Windows windows={windows}>{(scale) => <Moments moments={turn.said} scale={scale} />}</Windows>
      </Row>
      <div />
      <Axis windows={windows} />
      <div />
    </div>
  );
}

function ReadingCard({ control }: { control: Encoder }) {
  const { reading } = control;
  const change = (patch: Partial<EncoderReading>) =>
    changeOf<Encoder>(control.id)({ reading: { ...reading, ...patch } });
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="clean" /> Reading
      </legend>
      <Choice
        visible
        label="Method"
        data={[
          { value: 'table', label: 'By the table of both channels (quadrature)' },
          { value: 'edge', label: 'By the edges of one channel (the shortcut)' },
        ]}
        value={reading.method}
        choose={(method) => change({ method })}
      />
      <div className={classes.pair}>
        <Choice
          visible
          label="A step is"
          data={[
            { value: '1', label: '1 count' },
            { value: '2', label: '2 counts (half a cycle)' },
            { value: '4', label: '4 counts (a whole cycle)' },
          ]}
          value={String(reading.countsPerStep) as '1' | '2' | '4'}
          choose={(counts) => change({ countsPerStep: Number(counts) as 1 | 2 | 4 })}
        />
        <LoopField label="Channels are read every" />
      </div>
      <Switch
        label="Channels exchanged: the other way is up"
        checked={reading.reversed}
        onChange={(event) => change({ reversed: event.currentTarget.checked })}
      />
      <Switch
        label="Quick steps count more (acceleration)"
        checked={reading.faster !== null}
        onChange={(event) =>
          change({ faster: event.currentTarget.checked ? { fromUs: 40_000, most: 5 } : null })
        }
      />
      {reading.faster && (
        <div className={classes.pair}>
          <DurationField
            width="100%"
            label="Steps closer than"
            minUs={1_000}
            step={5}
            value={reading.faster.fromUs}
            commit={(fromUs) => change({ faster: { ...reading.faster!, fromUs } })}
          />
          <NumberField
            width="100%"
            label="Count up to"
            unit="times"
            min={2}
            max={100}
            value={reading.faster.most}
            commit={(most) => change({ faster: { ...reading.faster!, most } })}
          />
        </div>
      )}
    </fieldset>
  );
}

/** What to set for an encoder and why. */
function EncoderAdvice({ control }: { control: Encoder }) {
  const gadget = useDocument();
  const { part, reading, periodUs, countUs, fits, inTime } = adviseEncoder(gadget, control);
  const settle = () =>
    edit({
      name: 'several',
      args: [
        [
          { name: 'changeControl', args: [control.id, { reading }] },
          ...(inTime ? [] : [{ name: 'setLoopPeriod' as const, args: [periodUs] as [number] }]),
        ],
      ],
    });
  return (
    <AdviceFrame>
      <Verdict
        met={fits && inTime}
        taken={fits && inTime}
        take={settle}
        setting={`By the table, ${count(reading.countsPerStep, 'count')} a step${
          part.interrupts ? ', by interrupt' : `, read every ${showDuration(periodUs)} or oftener`
        }.`}
      >
        This part gives {part.countsPerDetent} counts a click, so that each click is one step; the table takes
        bounce back where the shortcut counts it. A quick turn of {showDuration(gadget.hands.quickTurnUs)}{' '}
        gives a count every {showDuration(countUs)}, and bounce wants two looks at each.
      </Verdict>
    </AdviceFrame>
  );
}

const perTurn = (us: number) => `${(1_000_000 / us).toFixed(1)} turns/s`;

function Speeds({ control }: { control: Encoder }) {
  const gadget = useDocument();
  const part = encoderPart(gadget, control.id);
  const rows = useAnswer<SpeedRow[]>(
    useCallback(() => lab().speeds(gadget, control), [gadget, control]),
    false,
  );
  return (
    <section aria-label="Turning speed">
      <h2 className={classes.second}>Turned faster and faster</h2>
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Table of speeds">
        <table className={`${classes.table} ${classes.wide}`}>
          <thead>
            <tr>
              <th scope="col">Speed</th>
              <th scope="col">Counts a second</th>
              <th scope="col">To be read every</th>
              <th scope="col">Steps missed</th>
              <th scope="col">Steps too many</th>
              <th scope="col">Wrong way</th>
              <th scope="col">Steps a turn</th>
            </tr>
          </thead>
          <tbody className="number">
            {(rows ?? []).map((row) => (
              <tr key={row.turnUs} data-bad={row.lost + row.extra + row.wrongWay > 0 || undefined}>
                <th scope="row">{perTurn(row.turnUs)}</th>
                <td>{Math.round(row.countsPerSecond)}</td>
                <td>{showDuration(row.neededPeriodUs)}</td>
                <td>{partOf(row.lost, row.expected)}</td>
                <td>{partOf(row.extra, row.expected)}</td>
                <td>{partOf(row.wrongWay, row.expected)}</td>
                <td>{stepsPerTurn(control.reading, part.detents, part.countsPerDetent, row.turnUs)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {!rows && <p role="status">Turning…</p>}
    </section>
  );
}

const partOf = (some: number, all: number) => (all === 0 ? 'none made' : `${some} of ${all}`);
