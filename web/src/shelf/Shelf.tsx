import { Button, FileButton, Menu, SegmentedControl, TextInput, Title } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import '@mantine/dropzone/styles.layer.css';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, backupUrl, queryClient, useGadgets, type GadgetSummary } from '../client/index.ts';
import { count, FirstStep, ThemeButton } from '../shared/index.ts';
import { Row } from './Row.tsx';
import classes from './Shelf.module.css';

/** Larger than any document may be, so that the server's own limit says what is wrong. */
const largestFile = 5_000_000;

/** All gadgets: open, new, duplicate, bin, import. */
export function Shelf() {
  const [bin, setBin] = useState(false);
  const [filter, setFilter] = useState('');
  const { data, error, isPending, refetch } = useGadgets(bin);
  const navigate = useNavigate();
  const refresh = () => queryClient.invalidateQueries({ queryKey: ['gadgets'] });
  const open = (id: string) => void navigate(`/g/${id}/flow`);
  const create = useMutation({
    mutationFn: () => api.create('New gadget'),
    onSuccess: ({ id }) => void navigate(`/g/${id}/brief`),
  });
  const importFile = useMutation({
    mutationFn: async (files: File[]) => {
      for (const file of files) {
        try {
          await api.importText(await file.text());
        } catch (reason) {
          throw new Error(`${file.name}: ${(reason as Error).message}`, { cause: reason });
        }
      }
    },
    onSettled: refresh,
  });
  const restore = useMutation({ mutationFn: (file: File) => api.restoreShelf(file), onSettled: refresh });
  const picker = useRef<HTMLInputElement>(null);
  const failure = error ?? create.error ?? importFile.error ?? restore.error;
  const shown = (data ?? []).filter(({ name }) => name.toLowerCase().includes(filter.toLowerCase()));
  return (
    <main className={classes.shelf}>
      <header className={classes.head}>
        <img src="/favicon.svg" alt="" width={40} height={40} />
        <div>
          <Title order={1}>Hum Lever</Title>
          <p>Design a handheld gadget, and play it before it exists.</p>
        </div>
        <ThemeButton />
      </header>
      <div className={classes.tools}>
        <Button onClick={() => create.mutate()} loading={create.isPending}>
          Start a gadget
        </Button>
        <FileButton onChange={(file) => file && importFile.mutate([file])} accept="application/json,.json">
          {(props) => (
            <Button {...props} variant="default">
              Bring in a file
            </Button>
          )}
        </FileButton>
        <Menu>
          <Menu.Target>
            <Button variant="default">The whole shelf</Button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item component="a" href={backupUrl} download>
              Keep everything in a file
            </Menu.Item>
            <Menu.Item onClick={() => picker.current?.click()}>Bring a shelf back from its file</Menu.Item>
          </Menu.Dropdown>
        </Menu>
        <input
          ref={picker}
          type="file"
          hidden
          aria-label="File of a whole shelf"
          accept=".gz,application/gzip"
          onChange={(event) => {
            const [file] = event.currentTarget.files ?? [];
            event.currentTarget.value = '';
            if (file) restore.mutate(file);
          }}
        />
        <TextInput
          className={classes.filter!}
          aria-label="Filter by name"
          placeholder="Filter by name"
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
        />
        <SegmentedControl
          aria-label="Which gadgets"
          data={[
            { label: 'Shelf', value: 'shelf' },
            { label: 'Bin', value: 'bin' },
          ]}
          value={bin ? 'bin' : 'shelf'}
          onChange={(value) => setBin(value === 'bin')}
        />
      </div>
      {failure && (
        <div role="alert" className={classes.failure}>
          <span>{failure.message}</span>
          {error && (
            <Button size="compact-sm" variant="default" onClick={() => void refetch()}>
              Try again
            </Button>
          )}
        </div>
      )}
      {restore.isPending && <p role="status">Bringing the shelf back…</p>}
      {restore.data && <p role="status">{restoredWords(restore.data)}</p>}
      <ul className={classes.list} aria-busy={isPending} aria-label={bin ? 'Gadgets in the bin' : 'Gadgets'}>
        {shown.map((gadget: GadgetSummary) => (
          <Row key={gadget.id} gadget={gadget} open={() => open(gadget.id)} refresh={() => void refresh()} />
        ))}
      </ul>
      {data && shown.length === 0 && <FirstStep>{emptyWords(bin, filter)}</FirstStep>}
      <Dropzone.FullScreen
        active
        withinPortal={false}
        inputProps={{ 'aria-label': 'Gadget files' }}
        accept={{ 'application/json': ['.json'] }}
        maxSize={largestFile}
        onDrop={(files) => importFile.mutate(files)}
        onReject={([first]) =>
          importFile.mutate([
            new File([`not read: ${first?.errors[0]?.message ?? ''}`], first?.file.name ?? 'file'),
          ])
        }
      >
        <p className={classes.drop}>Let go to bring the gadget in.</p>
      </Dropzone.FullScreen>
    </main>
  );
}

function restoredWords({ added, same, beside }: { added: number; same: number; beside: number }): string {
  const here = same > 0 ? `; ${count(same, 'gadget was', 'gadgets were')} here already` : '';
  const next = beside > 0 ? `, ${beside} beside what was worked on since` : '';
  return `${count(added, 'gadget')} brought back${next}${here}.`;
}

function emptyWords(bin: boolean, filter: string): string {
  if (filter !== '') return `No gadget here has “${filter}” in its name.`;
  return bin
    ? 'The bin is empty. What is put here can be taken out again.'
    : 'The shelf is empty. Start a gadget, or drop a gadget file anywhere on this page.';
}
