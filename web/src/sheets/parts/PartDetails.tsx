import { Button, TextInput } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import {
  countUses,
  figuresEdit,
  figuresOf,
  kindOf,
  moreLikeEdit,
  ownClassEdit,
  type Control,
  type Figures,
  type Gadget,
  type Output,
  type OwnClass,
  type Part,
  type PartKind,
} from '@hum-lever/core';
import { Suspense, useState } from 'react';
import { api, edit, keys, queryClient, useDocument, useGadget } from '../../client/index.ts';
import {
  count,
  FigureField,
  figureMeta,
  keyName,
  NumberField,
  TextField,
  onDemand,
} from '../../shared/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { addressWords, readingWords } from '../../words/index.ts';
import { lab } from '../../workers/index.ts';
import classes from './Parts.module.css';

const OwnPart = onDemand(() => import('./OwnPart.tsx'));

/** In how many places of the flow what the part plays is used. */
export const usesOf = (gadget: Gadget, part: Part): number =>
  part.plays.reduce((sum, id) => sum + countUses(gadget, id), 0);

/** Everything about one part: what it is, what it plays, and its figures. */
export function PartDetails({ part }: { part: Part }) {
  const gadget = useDocument();
  const kind = kindOf(part);
  const figures = figuresOf(part);
  const setFigure = (name: string, value: number): string | null => {
    try {
      return edit(figuresEdit(gadget, part, { ...part.figures, [name]: value }));
    } catch (error) {
      return (error as Error).message;
    }
  };
  const controls = gadget.controls.filter(({ id }) => part.plays.includes(id));
  const outputs = gadget.outputs.filter(({ id }) => part.plays.includes(id));
  const uses = usesOf(gadget, part);
  return (
    <div className={classes.details}>
      <p className="soft">
        {kind.doc} {part.plays.length > 0 && `Used in ${count(uses, 'place')} of the flow.`}
      </p>
      {controls.map((control) => (
        <ControlLine key={control.id} control={control} alone={part.plays.length === 1} />
      ))}
      {outputs.map((output) => (
        <OutputLine key={output.id} output={output} alone={part.plays.length === 1} />
      ))}
      <div className={classes.figures}>
        {Object.entries(kind.figures.shape).map(([name, field]) => {
          const meta = figureMeta(field);
          const choices =
            name === 'address'
              ? kind.addresses?.map((one) => ({ value: one, label: addressWords(one) }))
              : meta.choices;
          return (
            <FigureField
              key={name}
              {...meta}
              choices={choices}
              value={figures[name]!}
              commit={(value) => setFigure(name, value)}
            />
          );
        })}
      </div>
      <Readings kind={kind} figures={figures} />
      {part.own && <OwnTools part={part} own={part.own} />}
      <MoreLike part={part} />
    </div>
  );
}

/** So many at once are made at most. */
const mostAlike = 20;

/** Several more of it, with its settings, rules and place among the keys, and wired as well where it is. */
function MoreLike({ part }: { part: Part }) {
  const gadget = useDocument();
  const [times, setTimes] = useState(1);
  const [said, setSaid] = useState<string | null>(null);
  const make = async () => {
    const asked = gadget;
    try {
      const more = moreLikeEdit(asked, part, times);
      const isWired = asked.wiring.wires.length > 0;
      const along = isWired ? await lab().wiredAlong(asked, more, part.id) : null;
      if (useGadget.getState().document !== asked) {
        setSaid('It was changed meanwhile; ask again.');
        return;
      }
      const wires = along
        ? ', and wired to pins that are free'
        : isWired
          ? '; no pins are free for all of their wires: see Wiring'
          : '; wires are laid in Wiring';
      setSaid(edit(along ?? more) ?? `${count(times, 'more is', 'more are')} there, numbered on${wires}.`);
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  return (
    <div className={classes.alike}>
      <NumberField
        label=""
        aria-label={`How many more like ${part.name}`}
        width={58}
        min={1}
        max={mostAlike}
        value={times}
        commit={(typed) => {
          setTimes(typed);
          return null;
        }}
      />
      <Button size="compact-sm" variant="default" onClick={() => void make()}>
        {part.plays.length > 0 ? 'more like it, with its rules' : 'more like it'}
      </Button>
      {said !== null && <span role="status">{said}</span>}
    </div>
  );
}

/** What follows from the figures, as sentences. */
function Readings({ kind, figures }: { kind: PartKind; figures: Figures }) {
  const readings = kind.readings?.(figures) ?? [];
  if (readings.length === 0) return null;
  return (
    <ul className={classes.readings} aria-label="What follows from these figures">
      {readings.map((reading) => (
        <li key={reading.id}>{readingWords(reading)}</li>
      ))}
    </ul>
  );
}

/** What a part of the maker's own has besides: its lines can change, and it can be kept for the next gadget. */
function OwnTools({ part, own }: { part: Part; own: OwnClass }) {
  const gadget = useDocument();
  const [open, setOpen] = useState(false);
  const keep = useMutation({
    mutationFn: () => api.keepInDrawer(own),
    onSettled: () => queryClient.invalidateQueries({ queryKey: keys.drawer }),
  });
  return (
    <div className={classes.own}>
      <Button size="xs" variant="default" onClick={() => setOpen(true)}>
        Its lines and figures…
      </Button>
      <Button size="xs" variant="default" loading={keep.isPending} onClick={() => keep.mutate()}>
        Keep in the drawer
      </Button>
      <span role="status" className="soft">
        {keep.isSuccess && `${own.title} is in the drawer, for your other gadgets.`}
        {keep.isError && keep.error.message}
      </span>
      <Suspense fallback={null}>
        {open && (
          <OwnPart
            from={own}
            take={(changed) => edit(ownClassEdit(gadget, part, changed))}
            close={() => setOpen(false)}
          />
        )}
      </Suspense>
    </div>
  );
}

function ControlLine({ control, alone }: { control: Control; alone: boolean }) {
  const change = (patch: { name?: string; key?: string | null; backKey?: string | null }) =>
    edit({ name: 'changeControl', args: [control.id, patch] });
  return (
    <div className={classes.own}>
      {!alone && (
        <TextField
          size="xs"
          aria-label={`Name of ${control.name}`}
          value={control.name}
          commit={(name) => change({ name: name.trim() })}
        />
      )}
      <KeyField value={control.key} name={control.name} commit={(key) => change({ key })} />
      {'backKey' in control && (
        <KeyField
          value={control.backKey}
          name={`${control.name} back`}
          back
          commit={(backKey) => change({ backKey })}
        />
      )}
    </div>
  );
}

/** Takes the next key that is pressed as the key that plays the control. */
function KeyField({
  value,
  name,
  back = false,
  commit,
}: {
  value: string | null;
  name: string;
  back?: boolean;
  commit: (key: string | null) => string | null;
}) {
  return (
    <label className={classes.keyField}>
      {back ? 'Turned back by' : 'Played by'}
      <TextInput
        size="xs"
        w={110}
        aria-label={`Key that plays ${name}`}
        value={value === null ? '' : keyName(value)}
        placeholder="press a key"
        readOnly
        classNames={{ input: 'number' }}
        onKeyDown={(event) => {
          if (event.key === 'Tab' || event.ctrlKey || event.metaKey) return;
          event.preventDefault();
          commit(event.key === 'Delete' || event.key === 'Backspace' ? null : event.code);
        }}
      />
    </label>
  );
}

function OutputLine({ output, alone }: { output: Output; alone: boolean }) {
  return (
    <div className={classes.own}>
      {!alone && (
        <TextField
          size="xs"
          aria-label={`Name of ${output.name}`}
          value={output.name}
          commit={(name) => edit({ name: 'changeOutput', args: [output.id, { name: name.trim() }] })}
        />
      )}
      <OutputFigures output={output} />
    </div>
  );
}
