import {
  closestCorners,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Button, TextInput } from '@mantine/core';
import { fates, type Fate, type Word } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { FirstStep } from '../../shared/index.ts';
import classes from './Brief.module.css';
import { placeOfDrop } from './place.ts';
import { takeWord } from './takeWord.ts';
import { WordCard } from './WordCard.tsx';

const fateWords: Record<Fate, { title: string; about: string }> = {
  keep: { title: 'Keep', about: 'in the first version that works' },
  later: { title: 'Later', about: 'once that one works' },
  cut: { title: 'Cut', about: 'and why' },
};

/** The wall of words: each is kept, left for later, or cut. */
export function Wall() {
  const { words } = useDocument().brief;
  const [open, setOpen] = useState<string | null>(null);
  const sensors = useSensors(
    // A few pixels first, so that a click on a card stays a click.
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    const place = over && placeOfDrop(words, String(active.id), String(over.id));
    if (place) edit({ name: 'placeWord', args: [String(active.id), place.fate, place.beforeId] });
  };
  return (
    <>
      <NewWord words={words} />
      {words.length === 0 ? (
        <FirstStep>
          Select words in the idea above and take them down here, or type them. Then give each its place: what
          must be in the first version that works, what can wait, what goes. Drag a card, or use its list.
        </FirstStep>
      ) : (
        <DndContext
          sensors={sensors}
          collisionDetection={closestCorners}
          onDragEnd={drop}
          accessibility={{ screenReaderInstructions: { draggable: instructions } }}
        >
          <div className={classes.wall}>
            {fates.map((fate) => (
              <Column
                key={fate}
                fate={fate}
                words={words.filter((word) => word.fate === fate)}
                open={open}
                toggle={(id) => setOpen(open === id ? null : id)}
              />
            ))}
          </div>
        </DndContext>
      )}
    </>
  );
}

const instructions =
  'Press space to lift the card, the arrow keys to move it to another place or column, space again to put it down, escape to leave it where it was.';

function NewWord({ words }: { words: readonly Word[] }) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const add = () => {
    setSaid(takeWord(words, text));
    setText('');
  };
  return (
    <form
      className={classes.newWord}
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') add();
      }}
    >
      <TextInput
        size="xs"
        aria-label="New word"
        placeholder="a word or two"
        maxLength={80}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <Button size="xs" variant="default" type="submit">
        Put it on the wall
      </Button>
      <span className="soft" role="status">
        {said}
      </span>
    </form>
  );
}

function Column({
  fate,
  words,
  open,
  toggle,
}: {
  fate: Fate;
  words: readonly Word[];
  open: string | null;
  toggle: (id: string) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: fate });
  const { title, about } = fateWords[fate];
  return (
    <section
      ref={setNodeRef}
      className={classes.column}
      data-fate={fate}
      data-over={isOver || undefined}
      aria-label={`${title}: ${words.length}`}
    >
      <h3>
        {title} <span className="number">{words.length}</span>
        <small>{about}</small>
      </h3>
      <SortableContext items={words.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ul>
          {words.map((word) => (
            <WordCard key={word.id} word={word} open={open === word.id} toggle={() => toggle(word.id)} />
          ))}
        </ul>
      </SortableContext>
    </section>
  );
}
