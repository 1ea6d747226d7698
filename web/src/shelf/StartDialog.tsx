import '../shared/styles/dialog.css';
import { Modal } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Gadget, Trial } from '@hum-lever/core';
import { api } from '../client/index.ts';
import { Portrait } from '../inhand/Portrait.tsx';
import { lab } from '../workers/index.ts';
import { patterns } from './patterns.ts';
import classes from './StartDialog.module.css';

const nothing = { id: 'nothing', document: null, trials: [] };

/** A new gadget: empty, or one that works already and is made to be changed. */
export default function StartDialog({
  opened,
  close,
  begun,
}: {
  opened: boolean;
  close: () => void;
  begun: () => void;
}) {
  const navigate = useNavigate();
  const start = useMutation({
    mutationFn: async ({ document, trials }: { document: Gadget | null; trials: readonly Trial[] }) => {
      const { id } = await (document ? api.createFrom(document) : api.create('New gadget'));
      for (const trial of trials) await api.createTrial(id, trial);
      return `/g/${id}/${document ? 'flow' : 'brief'}`;
    },
    onSuccess: (path) => {
      begun();
      void navigate(path);
    },
  });
  const { data: portraits } = useQuery({
    queryKey: ['patterns'],
    queryFn: () => lab().portraits(patterns.map(({ document }) => document)),
    staleTime: Infinity,
  });
  return (
    <Modal
      opened={opened}
      onClose={close}
      title="Start a gadget"
      size={1_000}
      closeButtonProps={{ 'aria-label': 'Close: start nothing' }}
    >
      <p className={classes.lead}>
        Begin with nothing, or with a small gadget that works at once: play it, then change it into yours.
      </p>
      {start.error && <p role="alert">{start.error.message}</p>}
      <ul className={classes.grid} aria-label="What to begin with">
        {[nothing, ...patterns].map((pattern, n) => {
          const drawn = n === 0 ? null : portraits?.[n - 1];
          const [name, purpose] =
            pattern.document === null
              ? ['Nothing', 'An empty gadget: put down what it is for, and add parts.']
              : [pattern.document.name, pattern.document.brief.purpose.split('\n')[0]];
          return (
            <li key={pattern.id}>
              <div className={classes.picture}>{drawn && <Portrait {...drawn} />}</div>
              <div>
                <button type="button" disabled={start.isPending} onClick={() => start.mutate(pattern)}>
                  {name}
                </button>
                <p>{purpose}</p>
              </div>
            </li>
          );
        })}
      </ul>
    </Modal>
  );
}
