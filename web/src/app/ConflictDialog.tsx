import '@mantine/core/styles/Stack.layer.css';
import '../shared/styles/dialog.css';
import { Button, Modal, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { resolveConflict, useSync, type ConflictChoice } from '../client/index.ts';
import { showDate } from '../shared/index.ts';

const choices: { choice: ConflictChoice; title: string; about: string }[] = [
  {
    choice: 'mine',
    title: 'Keep mine on top',
    about: 'Yours becomes the newest revision; the other stays below it, to be brought back.',
  },
  {
    choice: 'theirs',
    title: 'Take the other',
    about: 'The other version replaces yours here. Undo brings yours back.',
  },
  {
    choice: 'both',
    title: 'Keep both',
    about: 'The other stays here; yours becomes a gadget of its own on the shelf.',
  },
];

/** Two tabs, or two people, changed one gadget: nothing is dropped without a word. */
export default function ConflictDialog() {
  const { status, base } = useSync();
  const [failure, setFailure] = useState<string | null>(null);
  if (status.kind !== 'conflict') return null;
  const { head } = status;
  const choose = (choice: ConflictChoice) => {
    setFailure(null);
    resolveConflict(choice).catch((error: Error) => setFailure(error.message));
  };
  return (
    <Modal
      opened
      onClose={() => undefined}
      withCloseButton={false}
      title="This gadget was changed elsewhere"
      size={480}
    >
      <Text size="sm" mb="md">
        Your changes are based on revision {base}. Meanwhile revision {head.revision} was saved (
        {showDate(head.savedAt)}), from another tab or machine. Which shall it be?
      </Text>
      <Stack gap="sm">
        {choices.map(({ choice, title, about }) => (
          <div key={choice}>
            <Button variant="default" fullWidth justify="start" onClick={() => choose(choice)}>
              {title}
            </Button>
            <Text size="sm" c="dimmed" mt={2}>
              {about}
            </Text>
          </div>
        ))}
      </Stack>
      {failure && (
        <Text role="alert" c="red" size="sm" mt="sm">
          {failure}
        </Text>
      )}
    </Modal>
  );
}
