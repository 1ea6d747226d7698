import { Button } from '@mantine/core';
import { limits, type Edit, type Tune } from '@hum-lever/core';
import { Choice, NumberField, Prose, TextField, WhileWriting } from '../../../shared/index.ts';
import classes from './Tunes.module.css';

type Put = (patch: Extract<Edit, { name: 'changeTune' }>['args'][1]) => string | null;

/** Its name, how fast it goes, and what comes behind its end. */
export function TuneSentence({ tune, put }: { tune: Tune; put: Put }) {
  const { name, beatsPerMinute, stepsPerBeat, swingPercent, heldPercent, sections, againFrom } = tune;
  return (
    <Prose id={tune.id}>
      <TextField
        size="xs"
        aria-label="Name of the tune"
        value={name}
        commit={(typed) => put({ name: typed.trim() })}
      />
      goes at
      <NumberField
        label=""
        aria-label="Beats a minute"
        width={84}
        min={limits.leastTempo}
        max={limits.mostTempo}
        value={beatsPerMinute}
        commit={(value) => put({ beatsPerMinute: value })}
      />
      beats a minute, with
      <NumberField
        label=""
        aria-label="Steps of a beat"
        width={62}
        min={1}
        max={24}
        value={stepsPerBeat}
        commit={(value) => put({ stepsPerBeat: value })}
      />
      {stepsPerBeat === 1 ? 'step' : 'steps'} to a beat. Of two steps the first takes
      <NumberField
        label=""
        aria-label="Swing: share of the first of two steps"
        unit="%"
        width={78}
        min={50}
        max={75}
        value={swingPercent}
        commit={(value) => put({ swingPercent: value })}
      />
      {swingPercent === 50 && '(straight)'} and a note is held for
      <NumberField
        label=""
        aria-label="Share of its length that a note is held"
        unit="%"
        width={84}
        min={10}
        max={100}
        value={heldPercent}
        commit={(value) => put({ heldPercent: value })}
      />
      of its length. At its end it
      <Choice
        label="At its end"
        data={[
          { value: '', label: 'is over' },
          ...sections.map((section, n) => ({
            value: String(n),
            label: sections.length === 1 ? 'begins again' : `goes on with ${section.name}`,
          })),
        ]}
        value={againFrom === null ? '' : String(againFrom)}
        choose={(value) => put({ againFrom: value === '' ? null : Number(value) })}
      />
    </Prose>
  );
}

/**
 * Its sections, one after the other.
 * @param put for what is typed, which says itself why it was refused
 * @param run for what is pressed: whoever gave it says so
 */
export function Sections({ tune, put, run }: { tune: Tune; put: Put; run: Put }) {
  const { sections } = tune;
  const change = (index: number, patch: Partial<Tune['sections'][number]>) =>
    put({ sections: sections.map((one, n) => (n === index ? { ...one, ...patch } : one)) });
  const without = (index: number) =>
    run({
      sections: sections.filter((_, n) => n !== index),
      // What it goes on with is the same section as before, or the end.
      againFrom:
        tune.againFrom === null || tune.againFrom === index
          ? null
          : tune.againFrom - (tune.againFrom > index ? 1 : 0),
    });
  return (
    <ol className={classes.sections} aria-label={`Sections of ${tune.name}`}>
      {sections.map((section, n) => (
        <li key={n}>
          <Prose>
            <TextField
              size="xs"
              w={120}
              quoted={false}
              aria-label={`Name of section ${n + 1}`}
              value={section.name}
              commit={(typed) => change(n, { name: typed.trim() })}
            />
            of
            <NumberField
              label=""
              aria-label={`Steps of section ${n + 1}`}
              width={78}
              min={1}
              max={limits.tuneSteps}
              value={section.steps}
              commit={(steps) => change(n, { steps })}
            />
            steps,
            <NumberField
              label=""
              aria-label={`Times that section ${n + 1} is played`}
              width={62}
              min={1}
              max={limits.sectionTimes}
              value={section.times}
              commit={(times) => change(n, { times })}
            />
            {section.times === 1 ? 'time' : 'times'}
            <WhileWriting>
              {sections.length > 1 && (
                <Button size="compact-xs" variant="subtle" onClick={() => without(n)}>
                  Take it out
                </Button>
              )}
            </WhileWriting>
          </Prose>
        </li>
      ))}
      {sections.length < limits.sections && (
        <li>
          <Button
            size="compact-xs"
            variant="subtle"
            onClick={() =>
              run({
                sections: [
                  ...sections,
                  { name: `Part ${sections.length + 1}`, steps: sections.at(-1)!.steps, times: 1 },
                ],
              })
            }
          >
            Add a section
          </Button>
        </li>
      )}
    </ol>
  );
}
