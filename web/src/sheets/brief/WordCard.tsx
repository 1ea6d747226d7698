import '../../shared/styles/picker.css';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ActionIcon, MultiSelect, SegmentedControl } from '@mantine/core';
import { IconChevronDown, IconGripVertical, IconTrash } from '@tabler/icons-react';
import { fates, type Fate, type Gadget, type Output, type Specification, type Word } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, count, NumberField, TextField, usePlace } from '../../shared/index.ts';
import classes from './Brief.module.css';

const fateLabels: Record<Fate, string> = { keep: 'Keep', later: 'Later', cut: 'Cut' };

/** What a word can lead to: parts, tasks, states, and what shows or sounds. */
export function linkable({
  parts,
  brief,
  flow,
  outputs,
}: Gadget): { group: string; items: { value: string; label: string }[] }[] {
  const items = (list: readonly { id: string; name: string }[]) =>
    list.map(({ id, name }) => ({ value: id, label: name }));
  const shown = (...kinds: Output['kind'][]) => outputs.filter(({ kind }) => kinds.includes(kind));
  return [
    { group: 'Parts', items: items(parts) },
    { group: 'Tasks', items: items(brief.tasks) },
    { group: 'States', items: items(flow.states) },
    { group: 'Screens', items: items(shown('text', 'screen')) },
    { group: 'Sounds', items: items(shown('tone')) },
  ].filter(({ items: found }) => found.length > 0);
}

export function specWords(spec: Specification | null): string {
  if (spec === null) return '';
  return spec.kind === 'number' ? `${spec.milli / 1_000}\u202f${spec.unit}` : spec.text;
}

/** One word on the wall: closed, what it comes to; open, everything about it. */
export function WordCard({ word, open, toggle }: { word: Word; open: boolean; toggle: () => void }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({
      id: word.id,
    });
  const place = usePlace(word.id);
  return (
    <li
      ref={setNodeRef}
      id={place.id}
      className={`${classes.word} ${place.className ?? ''}`}
      data-dragging={isDragging || undefined}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <div className={classes.wordHead}>
        <button
          type="button"
          ref={setActivatorNodeRef}
          className={classes.grip}
          {...attributes}
          {...listeners}
          aria-label={`Move ${word.text}`}
        >
          <IconGripVertical size={16} stroke={1.7} aria-hidden />
        </button>
        <button type="button" className={classes.wordText} data-print aria-expanded={open} onClick={toggle}>
          <strong>{word.text}</strong>
          <span className="soft">
            {[specWords(word.spec), word.links.length > 0 ? count(word.links.length, 'link') : '']
              .filter((said) => said !== '')
              .join(' · ')}
          </span>
          <IconChevronDown size={15} stroke={1.7} aria-hidden />
        </button>
      </div>
      {word.reason !== '' && !open && <p className={classes.reason}>{word.reason}</p>}
      {open && <WordDetails word={word} />}
    </li>
  );
}

function WordDetails({ word }: { word: Word }) {
  const gadget = useDocument();
  const change = (patch: Partial<Omit<Word, 'id'>>) => edit({ name: 'changeWord', args: [word.id, patch] });
  return (
    <div className={classes.details}>
      <SegmentedControl
        size="xs"
        aria-label={`Fate of ${word.text}`}
        data={fates.map((fate) => ({ value: fate, label: fateLabels[fate] }))}
        value={word.fate}
        onChange={(fate) => edit({ name: 'placeWord', args: [word.id, fate as Fate, null] })}
      />
      <TextField size="xs" label="Word" value={word.text} commit={(text) => change({ text: text.trim() })} />
      <SpecFields word={word} change={(spec) => change({ spec })} />
      <TextField
        size="xs"
        label="Reason"
        maxLength={240}
        value={word.reason}
        commit={(reason) => change({ reason: reason.trim() })}
      />
      <MultiSelect
        size="xs"
        label="What became of it"
        data={linkable(gadget)}
        value={word.links}
        searchable
        placeholder={word.links.length === 0 ? 'nothing yet' : ''}
        nothingFoundMessage="Nothing of that name"
        onChange={(links) => change({ links })}
      />
      <ActionIcon
        variant="subtle"
        aria-label={`Remove ${word.text}`}
        onClick={() => edit({ name: 'removeWord', args: [word.id] })}
      >
        <IconTrash size={18} stroke={1.7} />
      </ActionIcon>
    </div>
  );
}

/** A number with its unit, or a sentence. */
function SpecFields({ word, change }: { word: Word; change: (spec: Specification | null) => string | null }) {
  const { spec } = word;
  const kind = spec?.kind ?? 'none';
  const fresh: Record<string, Specification | null> = {
    none: null,
    number: { kind: 'number', milli: 0, unit: '' },
    sentence: { kind: 'sentence', text: 'to be said' },
  };
  return (
    <div className={classes.line}>
      <Choice
        visible
        label="Comes to"
        data={[
          { value: 'none', label: 'not said yet' },
          { value: 'number', label: 'a number' },
          { value: 'sentence', label: 'a sentence' },
        ]}
        value={kind}
        choose={(chosen) => change(fresh[chosen] ?? null)}
      />
      {spec?.kind === 'number' && (
        <>
          <NumberField
            label="Number"
            width={90}
            decimals={3}
            value={spec.milli / 1_000}
            commit={(value) => change({ ...spec, milli: Math.round(value * 1_000) })}
          />
          <TextField
            size="xs"
            w={80}
            label="Unit"
            maxLength={24}
            value={spec.unit}
            commit={(unit) => change({ ...spec, unit: unit.trim() })}
          />
        </>
      )}
      {spec?.kind === 'sentence' && (
        <TextField
          size="xs"
          className={classes.name!}
          label="Sentence"
          maxLength={240}
          value={spec.text}
          commit={(text) => change({ ...spec, text: text.trim() })}
        />
      )}
    </div>
  );
}
