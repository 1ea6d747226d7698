import { Button as PushButton, Textarea } from '@mantine/core';
import { capturePractice, contactOf, printTraceCsv, printVcd, type Button } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, saveFile, TextField, PickFile } from '../../../shared/index.ts';
import { traceNow } from '../../../workers/index.ts';
import { changeOf } from '../cards/change.ts';
import classes from '../Feel.module.css';
import { wireOf } from '../press.ts';
import { Brought, type Source } from './Brought.tsx';

const practicePresses = 60;
const usualSampleUs = 100;

/** Real switches: their traces come in, are cut into presses, fitted, and played; ours go out. */
export function CaptureView({ control }: { control: Button }) {
  const [source, setSource] = useState<Source | null>(null);
  const take = (name: string, text: string) => setSource({ name, text, unit: null, sampleUs: usualSampleUs });
  return (
    <div className={classes.stack}>
      <section className="card" aria-label="Bring in a trace">
        <h2 className={classes.cardTitle}>Bring in a trace</h2>
        <div className={classes.bringIn}>
          <PickFile
            accept=".vcd,.csv,.txt"
            take={(file) => void file.text().then((text) => take(file.name, text))}
          >
            {(props) => (
              <PushButton size="compact-sm" {...props}>
                Open a VCD, a CSV or a list of samples
              </PushButton>
            )}
          </PickFile>
          <PushButton
            size="compact-sm"
            variant="default"
            onClick={() => {
              const seed = crypto.getRandomValues(new Int32Array(1))[0]!;
              take('Practice device', printVcd([capturePractice(practicePresses, seed).trace]));
            }}
          >
            Take one from the practice device
          </PushButton>
        </div>
        <Textarea
          label="Or paste it"
          autosize
          minRows={2}
          maxRows={5}
          placeholder="0.000000,1&#10;0.001250,0"
          value={source?.text.slice(0, 4_000) ?? ''}
          onChange={(event) =>
            event.currentTarget.value === '' ? setSource(null) : take('Pasted', event.currentTarget.value)
          }
        />
        <p className="soft">
          The practice device is simulated: it is clipped to some switch of a bench, pulled up, and records{' '}
          {practicePresses} presses.
        </p>
      </section>
      {source && <Brought source={source} setSource={setSource} control={control} />}
      <Kept control={control} />
      <TakeOut control={control} />
    </div>
  );
}

/** Captures that the gadget keeps. */
function Kept({ control }: { control: Button }) {
  const { captures } = useDocument();
  if (captures.length === 0) return null;
  const change = changeOf<Button>(control.id);
  return (
    <section className="card" aria-label="Kept captures">
      <h2 className={classes.cardTitle}>Kept</h2>
      <ul className={classes.plainList}>
        {captures.map(({ id, name, presses }) => (
          <li key={id} className={classes.kept}>
            <TextField
              size="xs"
              aria-label={`Name of ${name}`}
              value={name}
              commit={(typed) => edit({ name: 'changeCapture', args: [id, { name: typed.trim() }] })}
            />
            <span className="number">{count(presses.length, 'press', 'presses')}</span>
            {control.contact.captureId === id ? (
              <PushButton
                size="compact-xs"
                variant="default"
                onClick={() => change({ contact: { ...control.contact, captureId: null } })}
              >
                Draw instead
              </PushButton>
            ) : (
              <PushButton
                size="compact-xs"
                variant="default"
                onClick={() => change({ contact: { ...control.contact, captureId: id } })}
              >
                Play it
              </PushButton>
            )}
            <PushButton
              size="compact-xs"
              variant="default"
              aria-label={`Remove ${name}`}
              onClick={() => edit({ name: 'removeCapture', args: [id] })}
            >
              Remove
            </PushButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Our own traces, for other tools. */
function TakeOut({ control }: { control: Button }) {
  const [said, say] = useState('');
  const save = (kind: 'vcd' | 'csv') => {
    const wire = wireOf(traceNow(), control);
    if (wire.edges.length === 0) return say('There is nothing on the strip yet: press it first.');
    say('');
    const text = kind === 'vcd' ? printVcd([wire]) : printTraceCsv(wire);
    return saveFile(`${control.name}.${kind}`, kind === 'vcd' ? 'text/plain' : 'text/csv', text);
  };
  return (
    <section className="card" aria-label="Take a trace out">
      <h2 className={classes.cardTitle}>Take a trace out</h2>
      <div className={classes.bringIn}>
        <PushButton size="compact-sm" variant="default" onClick={() => save('vcd')}>
          Save the contact as VCD
        </PushButton>
        <PushButton size="compact-sm" variant="default" onClick={() => save('csv')}>
          Save the contact as CSV
        </PushButton>
        {control.contact.model === 'captured' && (
          <PushButton
            size="compact-sm"
            variant="default"
            onClick={() => changeOf<Button>(control.id)({ contact: contactOf('snap') })}
          >
            Back to typical figures
          </PushButton>
        )}
      </div>
      <p className="soft" role="status">
        {said || `Everything that the contact of ${control.name} has done on the strip.`}
      </p>
    </section>
  );
}
