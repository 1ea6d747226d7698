import '@mantine/core/styles/Kbd.layer.css';
import '../shared/styles/dialog.css';
import { Kbd, Modal, Table, Title } from '@mantine/core';
import { useDocument } from '../client/index.ts';
import { keyName } from '../shared/index.ts';
import type { KeyPlace } from './keyPlace.ts';

const places: Record<KeyPlace, { title: string; keys: readonly (readonly [string, string])[] }> = {
  hand: {
    title: 'In hand',
    keys: [
      ['Escape', 'Let go of it, or put back what is held large'],
      ['Shift H', 'Hold it large; once more: back'],
      ['Shift F', 'Fill the screen with it'],
    ],
  },
  strip: {
    title: 'On the strip',
    keys: [
      ['← →', 'Walk through the events'],
      ['Space', 'Stop time, let it run'],
      ['+ −', 'See less of it, see more'],
      ['[ ]', 'Mark where a stretch begins, where it ends; so does a drag with Shift'],
      ['Home End', 'To the beginning, back to now'],
      ['↑ ↓', 'On its upper edge: higher, lower'],
    ],
  },
  brief: {
    title: 'In Brief',
    keys: [
      ['Alt W', 'Take the selected words to the wall'],
      ['Space', 'On a card’s handle: lift it, arrows move it, Space puts it down'],
    ],
  },
  flow: {
    title: 'In Flow',
    keys: [
      ['Enter', 'On a word: open its sentence there; in a field: take what is typed'],
      ['Escape', 'Close the sentence; what was typed is forgotten'],
      ['↑ ↓', 'Among what could be typed'],
      ['← → ↑ ↓', 'On the map: move it'],
      ['+ − 0', 'On the map: closer, further, all of it'],
    ],
  },
  screen: {
    title: 'In Screen',
    keys: [
      ['[ ]', 'On the page: choose what stands on it, one after the other'],
      ['← → ↑ ↓', 'Move that by a pixel; with Shift by eight'],
      ['Delete', 'Take it out'],
      ['Enter', 'On an element’s sentence: open it'],
    ],
  },
  sound: {
    title: 'In Sound',
    keys: [
      ['[ ]', 'On a voice: choose its notes, one after the other'],
      ['← → ↑ ↓', 'Move the note by a step, by a semitone; with Shift: longer, shorter, an octave'],
      ['Enter', 'One more behind it; on an empty voice: the first'],
      ['Delete', 'Take it out'],
    ],
  },
  everywhere: {
    title: 'Everywhere',
    keys: [
      ['?', 'These keys'],
      ['Ctrl K', 'Commands, and all of the gadget, by name'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['H', 'Take the gadget in hand'],
      ['Shift H', 'Hold it large; once more, or Escape: back'],
      ['Shift F', 'Fill the screen with it'],
      ['Alt ←', 'Back to where one was'],
    ],
  },
};

/** Keys, those of the place where one is first; those that play the gadget work only while it is in hand. */
export default function KeysDialog({
  opened,
  here,
  close,
}: {
  opened: boolean;
  here: KeyPlace;
  close: () => void;
}) {
  const { controls } = useDocument();
  const playing = controls.flatMap((control) => {
    const keys = 'backKey' in control ? [control.backKey, control.key] : [control.key];
    const known = keys.filter((key) => key !== null).map(keyName);
    return known.length === 0 ? [] : [[known.join(' '), `Play ${control.name}`] as const];
  });
  const order = [here, ...(Object.keys(places) as KeyPlace[]).filter((place) => place !== here)];
  return (
    <Modal
      opened={opened}
      onClose={close}
      title="Keys"
      size={460}
      closeButtonProps={{ 'aria-label': 'Close keys' }}
    >
      {order.map((place) => (
        <section key={place} aria-label={places[place].title}>
          <Title order={3} size={16} mt="sm">
            {places[place].title}
          </Title>
          <KeyTable keys={place === 'hand' ? [...places.hand.keys, ...playing] : places[place].keys} />
        </section>
      ))}
    </Modal>
  );
}

function KeyTable({ keys }: { keys: readonly (readonly [string, string])[] }) {
  return (
    <Table>
      <Table.Tbody>
        {keys.map(([key, what]) => (
          <Table.Tr key={`${key} ${what}`}>
            <Table.Td w={130}>
              <Kbd>{key}</Kbd>
            </Table.Td>
            <Table.Td>{what}</Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}
