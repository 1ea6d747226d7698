import { Button, Menu, NativeSelect, SegmentedControl, TextInput, Title } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import '@mantine/dropzone/styles.layer.css';
import { useLocalStorage } from '@mantine/hooks';
import { useMutation } from '@tanstack/react-query';
import { Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, backupUrl, queryClient, useGadgets, type ShelfGadget } from '../client/index.ts';
import { count, FirstStep, ThemeButton, useEver, onDemand, PickFile } from '../shared/index.ts';
import { Row } from './Row.tsx';
import classes from './Shelf.module.css';

const StartDialog = onDemand(() => import('./StartDialog.tsx'));

/** Larger than any document may be, so that the server's own limit says what is wrong. */
const largestFile = 5_000_000;

/** The one that somebody who is here for the first time plays. */
const firstDemo = 'Kettle Keeper';

const weight = ({ card }: ShelfGadget) => {
  const { stop, likely, note } = card?.card?.snags ?? { stop: 0, likely: 0, note: 0 };
  return stop * 1e6 + likely * 1e3 + note;
};
const byName = (a: ShelfGadget, b: ShelfGadget) => a.name.localeCompare(b.name);
const orders = {
  changed: (a, b) => (a.savedAt < b.savedAt ? 1 : a.savedAt > b.savedAt ? -1 : byName(a, b)),
  name: byName,
  snags: (a, b) => weight(b) - weight(a) || byName(a, b),
} satisfies Record<string, (a: ShelfGadget, b: ShelfGadget) => number>;
type Order = keyof typeof orders;
const orderNames: { value: Order; label: string }[] = [
  { value: 'changed', label: 'Last changed first' },
  { value: 'name', label: 'By name' },
  { value: 'snags', label: 'Most snags first' },
];

/** All gadgets: open, new, duplicate, bin, import. */
export function Shelf() {
  const [bin, setBin] = useState(false);
  const [filter, setFilter] = useState('');
  const [order, setOrder] = useState<Order>('changed');
  const [met, setMet] = useLocalStorage({
    key: 'hum-lever.met',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const { data, error, isPending, refetch, dataUpdatedAt } = useGadgets(bin);
  const navigate = useNavigate();
  const refresh = () => queryClient.invalidateQueries({ queryKey: ['gadgets'] });
  const open = (id: string) => {
    setMet(true);
    void navigate(`/g/${id}/flow`);
  };
  const demo = met ? undefined : data?.find(({ name }) => name === firstDemo);
  const [starting, setStarting] = useState(false);
  const everStarting = useEver(starting);
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
  const failure = error ?? importFile.error ?? restore.error;
  const wanted = filter.toLowerCase();
  const shown = (data ?? [])
    .filter(({ name, card }) =>
      [name, card?.card?.purpose ?? ''].some((text) => text.toLowerCase().includes(wanted)),
    )
    .sort(orders[order]);
  return (
    <main className={classes.shelf}>
      <header className={classes.head}>
        <img src="/favicon.svg" alt="" width={40} height={40} />
        <div>
          <Title order={1}>Hum Lever</Title>
          <p>Design a handheld gadget, and play it before it exists.</p>
        </div>
        <SegmentedControl
          className={classes.which!}
          aria-label="Which gadgets"
          data={[
            { label: 'Shelf', value: 'shelf' },
            { label: 'Bin', value: 'bin' },
          ]}
          value={bin ? 'bin' : 'shelf'}
          onChange={(value) => setBin(value === 'bin')}
        />
        <ThemeButton />
      </header>
      <div className={classes.tools}>
        {demo && <Button onClick={() => open(demo.id)}>Play the demo</Button>}
        <Button variant={demo ? 'default' : 'filled'} onClick={() => setStarting(true)}>
          Start a gadget
        </Button>
        <PickFile take={(file) => importFile.mutate([file])} accept="application/json,.json">
          {(props) => (
            <Button {...props} variant="default">
              Bring in a file
            </Button>
          )}
        </PickFile>
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
          placeholder="Filter by name or purpose"
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
        />
        <NativeSelect
          aria-label="Order"
          data={orderNames}
          value={order}
          onChange={(event) => setOrder(event.currentTarget.value as Order)}
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
        {shown.map((gadget) => (
          <Row
            key={gadget.id}
            gadget={gadget}
            nowMs={dataUpdatedAt}
            open={() => open(gadget.id)}
            refresh={() => void refresh()}
          />
        ))}
      </ul>
      {data && shown.length === 0 && <FirstStep>{emptyWords(bin, filter)}</FirstStep>}
      {everStarting && (
        <Suspense>
          <StartDialog opened={starting} close={() => setStarting(false)} begun={() => setMet(true)} />
        </Suspense>
      )}
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
  if (filter !== '') return `No gadget here has “${filter}” in its name or in what it is for.`;
  return bin
    ? 'The bin is empty. What is put here can be taken out again.'
    : 'The shelf is empty. Start a gadget, or drop a gadget file anywhere on this page.';
}
