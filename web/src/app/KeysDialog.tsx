import '@mantine/core/styles/Kbd.layer.css';
import '../shared/styles/dialog.css';
import { Kbd, Modal, Table } from '@mantine/core';
import { useDocument } from '../client/index.ts';
import { keyName } from '../shared/index.ts';

const fixed: [string, string][] = [
  ['?', 'These keys'],
  ['Ctrl K', 'Commands by name'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['H', 'Take the gadget in hand'],
  ['Shift H', 'Hold it large; once more, or Escape: back'],
  ['Shift F', 'Fill the screen with it'],
  ['Alt W', 'In Brief: take the selected words to the wall'],
  ['Space', 'On a card’s handle: lift it, arrows move it, Space puts it down'],
  ['← →', 'On the strip: walk through the events'],
  ['Space', 'On the strip: pause time, let it run'],
  ['End', 'On the strip: back to now'],
];

/** The keys of this place; those that play the gadget work only while it is in hand. */
export default function KeysDialog({ opened, close }: { opened: boolean; close: () => void }) {
  const { controls } = useDocument();
  const playing = controls.flatMap(({ key, name }): [string, string][] =>
    key === null ? [] : [[keyName(key), `In hand: ${name}`]],
  );
  return (
    <Modal
      opened={opened}
      onClose={close}
      title="Keys"
      size={420}
      closeButtonProps={{ 'aria-label': 'Close keys' }}
    >
      <Table>
        <Table.Tbody>
          {[...fixed, ...playing].map(([key, what]) => (
            <Table.Tr key={`${key} ${what}`}>
              <Table.Td w={130}>
                <Kbd>{key}</Kbd>
              </Table.Td>
              <Table.Td>{what}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
