import { Button as PushButton } from '@mantine/core';
import { adviseCodes, printCodesCsv, type Codes, type CsvFault } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import {
  DurationField,
  NumberField,
  saveFile,
  showDuration,
  StageIcon,
  TextField,
  ReadingNow,
  PickFile,
} from '../../../shared/index.ts';
import { traceNow, usePlayer, useReading } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import { AdviceFrame, Verdict } from '../cards/WhatToSet.tsx';
import classes from '../Feel.module.css';

type Code = Codes['codes'][number];

/** A remote or word receiver: its codes, what they are taken for, and when a held one counts as let go. */
export function CodesPage({ control }: { control: Codes }) {
  return (
    <>
      <CodesAdvice control={control} />
      <div className={classes.settings}>
        <HeldCard control={control} />
        <Learn control={control} />
      </div>
      <CodeTable control={control} />
    </>
  );
}

function CodesAdvice({ control }: { control: Codes }) {
  const { heldGapUs, fits } = adviseCodes(control);
  const worst = [...control.codes].sort((a, b) => b.wrongPerMille - a.wrongPerMille)[0];
  return (
    <AdviceFrame>
      <Verdict
        met={fits}
        taken={fits}
        take={() => changeOf<Codes>(control.id)({ heldGapUs })}
        setting={`A code counts as held for ${showDuration(heldGapUs)} after it was last heard.`}
      >
        A held key sends its code every {showDuration(control.repeatsEveryUs)}: shorter than that, one press
        becomes many; twice as long and a little, and one repeat may be lost; longer, and two presses become
        one.
        {worst && worst.wrongPerMille > 0 && (
          <>
            {' '}
            {worst.name} is taken for another {worst.wrongPerMille / 10}&#x202f;% of the time: nothing that
            cannot be undone should hang on one hearing of it.
          </>
        )}
      </Verdict>
    </AdviceFrame>
  );
}

function HeldCard({ control }: { control: Codes }) {
  const change = changeOf<Codes>(control.id);
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="clean" /> Held codes
      </legend>
      <div className={classes.pair}>
        <DurationField
          width="100%"
          label="Sent again every"
          minUs={1_000}
          step={10}
          value={control.repeatsEveryUs}
          commit={(repeatsEveryUs) => change({ repeatsEveryUs })}
        />
        <DurationField
          width="100%"
          label="The same within"
          minUs={1_000}
          step={10}
          value={control.heldGapUs}
          commit={(heldGapUs) => change({ heldGapUs })}
        />
      </div>
      <p className="soft">The same code again within that time is the same press, still held.</p>
    </fieldset>
  );
}

/** Codes out of a log, and back into one. */
function Learn({ control }: { control: Codes }) {
  const [faults, setFaults] = useState<CsvFault[]>([]);
  const { reading, run, stop } = useReading();
  const learn = async (text: string) => {
    const read = await run((reader) => reader.codes(text));
    if (!read) return;
    if (read.outcome === 'faulty') return setFaults(read.faults);
    const refused = edit({ name: 'setCodes', args: [control.id, read.value] });
    return setFaults(refused === null ? [] : [{ row: 0, column: '', message: refused }]);
  };
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Learn from a log
      </legend>
      <div className={classes.bringIn}>
        <PickFile accept=".csv,.txt" take={(file) => void file.text().then(learn)}>
          {(props) => (
            <PushButton size="compact-sm" {...props}>
              Open a log (CSV)
            </PushButton>
          )}
        </PickFile>
        <PushButton
          size="compact-sm"
          variant="default"
          disabled={control.codes.length === 0}
          onClick={() => saveFile(`${control.name} codes.csv`, 'text/csv', printCodesCsv(control))}
        >
          Save the codes
        </PushButton>
      </div>
      <p className="soft">
        A row for each key or word that was given: columns “key” and “code”, and “sent ms” and “heard ms”
        where they were taken. What a key gives most often is its code; the rest is confusion.
      </p>
      <ReadingNow reading={reading} stop={stop} />
      {faults.map(({ row, column, message }) => (
        <p key={`${row} ${column} ${message}`} role="alert" className={classes.fault}>
          {row > 0 ? `Row ${row}${column ? `, ${column}` : ''}: ` : ''}
          {message}. Nothing was changed.
        </p>
      ))}
    </fieldset>
  );
}

function CodeTable({ control }: { control: Codes }) {
  usePlayer((state) => state.traceVersion);
  const change = (index: number, patch: Partial<Code>) =>
    changeOf<Codes>(control.id)({ codes: control.codes.with(index, { ...control.codes[index]!, ...patch }) });
  const add = () => {
    const code = Math.max(0, ...control.codes.map((one) => one.code)) + 1;
    edit({
      name: 'setCodes',
      args: [
        control.id,
        [
          ...control.codes,
          { name: `Key ${control.codes.length + 1}`, code, wrongPerMille: 0, latencyUs: 100_000 },
        ],
      ],
    });
  };
  const remove = (id: string) =>
    edit({ name: 'setCodes', args: [control.id, control.codes.filter((one) => one.id !== id)] });
  return (
    <section aria-label="Codes">
      <div className={classes.viewBar}>
        <h2 className={classes.second}>Codes</h2>
        <PushButton size="compact-sm" variant="default" onClick={add}>
          Add a code
        </PushButton>
      </div>
      {control.codes.length === 0 ? (
        <p className="card">No codes yet: learn them from a log, or add one.</p>
      ) : (
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">Key or word</th>
              <th scope="col">Code</th>
              <th scope="col">Taken for another</th>
              <th scope="col">Late by</th>
              <th scope="col">Heard on the strip</th>
              <th scope="col">Not wanted</th>
            </tr>
          </thead>
          <tbody>
            {control.codes.map(({ id, name, code, wrongPerMille, latencyUs }, index) => (
              <tr key={id}>
                <th scope="row">
                  <TextField
                    size="xs"
                    aria-label={`Name of ${name}`}
                    value={name}
                    commit={(typed) => change(index, { name: typed.trim() })}
                  />
                </th>
                <td className="number">0x{code.toString(16).toUpperCase()}</td>
                <td>
                  <NumberField
                    label=""
                    aria-label={`${name} is taken for another`}
                    unit="%"
                    decimals={1}
                    min={0}
                    max={100}
                    value={wrongPerMille / 10}
                    commit={(percent) => change(index, { wrongPerMille: Math.round(percent * 10) })}
                  />
                </td>
                <td>
                  <DurationField
                    label=""
                    aria-label={`${name} is late by`}
                    step={10}
                    value={latencyUs}
                    commit={(us) => change(index, { latencyUs: us })}
                  />
                </td>
                <td className="number">{heardWords(control.id, id)}</td>
                <td>
                  <PushButton
                    size="compact-xs"
                    variant="default"
                    onClick={() => remove(id)}
                    aria-label={`Remove ${name}`}
                  >
                    Remove
                  </PushButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** What became of a code, as played: how often sent, heard, and taken for another. */
function heardWords(controlId: string, codeId: string): string {
  const heard = traceNow().filter(
    (entry) => entry.lane === 'heard' && entry.id === controlId && entry.sentId === codeId,
  );
  const wrong = heard.filter((entry) => entry.lane === 'heard' && entry.codeId !== codeId).length;
  return heard.length === 0 ? 'not yet' : `${heard.length} times, ${wrong} as another`;
}
