import { SegmentedControl } from '@mantine/core';
import type { Control } from '@hum-lever/core';
import { memo, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useDocument } from '../../client/index.ts';
import { Choice, FirstStep, SheetFrame, useFound, usePlace } from '../../shared/index.ts';
import { byHand } from '../../words/index.ts';
import { traceNow, usePlayer } from '../../workers/index.ts';
import { ButtonPage } from './ButtonPage.tsx';
import classes from './Feel.module.css';
import { CodesPage } from './views/CodesPage.tsx';
import { KeypadPage } from './views/KeypadPage.tsx';
import { KnobPage } from './views/KnobPage.tsx';
import { TurnPage } from './views/TurnPage.tsx';
import { useKeypads } from './views/useKeypads.ts';

const first = { button: 'Press once', encoder: 'Turn it', knob: 'Move it', codes: 'Send a code' } as const;
const aboutOf = (kind: Control['kind'] = 'button') =>
  `${first[kind]}, and see what became of it: from bare contact to meaning.`;
/** So many controls fit in a row. */
const inRow = 5;

/** The control that a hand took up last since the sheet was opened; null: none. */
function useTouched(): { id: string; at: number } | null {
  const [openedUs] = useState(() => traceNow().at(-1)?.atUs ?? -1);
  const [touched, setTouched] = useState<{ id: string; at: number } | null>(null);
  // Looked for with each report; the sheet is drawn anew only when a hand took up something.
  useEffect(
    () =>
      usePlayer.subscribe(({ traceVersion }, before) => {
        if (traceVersion === before.traceVersion) return;
        const entry = traceNow().findLast(({ lane, atUs }) => byHand.has(lane) && atUs > openedUs);
        if (!entry || !('id' in entry) || entry.id === null) return;
        const { id, atUs: at } = entry;
        setTouched((was) => (was?.id === id && was.at === at ? was : { id, at }));
      }),
    [openedUs],
  );
  return touched;
}

/** The control, or the keypad, being felt: chosen here, or the one that a snag or the hand led to. */
function useChosen() {
  const gadget = useDocument();
  const keypads = useKeypads();
  const [chosenId, choose] = useState<string | null>(null);
  const found = useFound(({ place }) => place?.id);
  const ids = [...gadget.controls, ...keypads].map(({ id }) => id);
  useEffect(() => {
    if (found === undefined) return;
    // A chord, or a rule, is felt at its control.
    const chord = gadget.chords.find(({ id }) => id === found);
    const leads = chord?.controlIds[0] ?? found;
    if (ids.includes(leads)) choose(leads);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when something is found
  }, [found]);
  const touched = useTouched();
  useEffect(() => {
    // What the hand takes up is what one wants to feel; a keypad goes on showing all its keys.
    if (touched === null) return;
    choose((before) =>
      keypads.find(({ id }) => id === before)?.controlIds.includes(touched.id) ? before : touched.id,
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when something is touched
  }, [touched?.at, touched?.id]);
  const control = gadget.controls.find(({ id }) => id === chosenId);
  const keypad = keypads.find(({ id }) => id === chosenId);
  return {
    choices: [
      ...gadget.controls.map(({ id, name }) => ({ value: id, label: name })),
      ...keypads.map(({ id, name }) => ({ value: id, label: `${name}: all keys` })),
    ],
    control: control ?? (keypad ? undefined : gadget.controls[0]),
    keypad,
    choose,
  };
}

export function FeelPage() {
  const { choices, control, keypad, choose } = useChosen();
  const place = usePlace(control?.id ?? keypad?.id ?? 'nothing');
  const chosen = control?.id ?? keypad?.id;
  if (chosen === undefined)
    return (
      <SheetFrame title="Feel" about={aboutOf()}>
        <FirstStep action={<Link to="../parts">Go to Parts</Link>}>
          There is nothing to press yet: add a button in Parts.
        </FirstStep>
      </SheetFrame>
    );
  return (
    <SheetFrame title="Feel" about={aboutOf(control?.kind)}>
      <div {...place}>
        {choices.length > inRow ? (
          <div className={classes.chooser}>
            <Choice visible label="Control" data={choices} value={chosen} choose={choose} />
          </div>
        ) : (
          choices.length > 1 && (
            <SegmentedControl
              mb="md"
              aria-label="Control"
              data={choices}
              value={chosen}
              onChange={choose}
              style={{ maxWidth: '100%', overflowX: 'auto' }}
            />
          )
        )}
      </div>
      {control ? <ControlPage key={control.id} control={control} /> : <KeypadPage key={chosen} id={chosen} />}
    </SheetFrame>
  );
}

/** Looks again by itself where it has to; what the hand does elsewhere is nothing to it. */
const ControlPage = memo(function ControlPage({ control }: { control: Control }) {
  switch (control.kind) {
    case 'button':
      return <ButtonPage control={control} />;
    case 'encoder':
      return <TurnPage control={control} />;
    case 'knob':
      return <KnobPage control={control} />;
    case 'codes':
      return <CodesPage control={control} />;
  }
});
