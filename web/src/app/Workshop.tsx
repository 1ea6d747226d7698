import { Button } from '@mantine/core';
import { useDisclosure, useHotkeys } from '@mantine/hooks';
import type { Snag } from '@hum-lever/core';
import { startTransition, Suspense, useEffect, useRef, useState } from 'react';
import { Link, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { closeGadget, openGadget, useGadget, useHistory, useSync } from '../client/index.ts';
import { InHand } from '../inhand/index.ts';
import { goTo, optional, useEver, onDemand } from '../shared/index.ts';
import { checkSoon } from '../snags/index.ts';
import { Strip } from '../strip/index.ts';
import { player } from '../workers/index.ts';
import { keyPlaceOf, type KeyPlace } from './keyPlace.ts';
import { sheetOf } from './sheets.ts';
import { Spine } from './Spine.tsx';
import { TopBar } from './TopBar.tsx';
import { useReturn } from './useReturn.ts';
import classes from './Workshop.module.css';

// What opens on demand comes on demand, and stays from then on.
const SnagDrawer = onDemand(() => import('../snags/SnagDrawer.tsx'));
const RevisionDrawer = onDemand(() => import('../revisions/index.ts'));
const ConflictDialog = onDemand(() => import('./ConflictDialog.tsx'));
const KeysDialog = onDemand(() => import('./KeysDialog.tsx'));
const Commands = onDemand(() => import('./Commands.tsx'));
const Alike = optional(() => import('./Alike.tsx'));

/** Opens the gadget of the address; null while it comes, an error where it does not. */
function useOpened(gadgetId: string): { ready: boolean; error: Error | null; again: () => void } {
  const opened = useGadget(({ id }) => id === gadgetId);
  const [error, setError] = useState<Error | null>(null);
  const [attempt, setAttempt] = useState(0);
  useEffect(() => {
    let current = true;
    setError(null);
    openGadget(gadgetId).catch((reason: Error) => current && setError(reason));
    return () => {
      current = false;
      closeGadget();
    };
  }, [gadgetId, attempt]);
  return { ready: opened, error, again: () => setAttempt((n) => n + 1) };
}

/** Keeps the machine and the checks at the document that is on the bench. */
function useFollowers(ready: boolean): void {
  useEffect(() => {
    if (!ready) return;
    const first = useGadget.getState().document!;
    player.load(first);
    checkSoon(first);
    return useGadget.subscribe(({ document }, before) => {
      if (document === null || document === before.document) return;
      player.edit(document);
      checkSoon(document);
    });
  }, [ready]);
}

/** False for the first picture, and then true in pieces: what can wait makes nobody else wait. */
function useAfterwards(): boolean {
  const [is, set] = useState(false);
  useEffect(() => {
    const frame = requestAnimationFrame(() => startTransition(() => set(true)));
    return () => cancelAnimationFrame(frame);
  }, []);
  return is;
}

/** A gadget on the bench: spine, sheet, in hand, strip. */
export default function Workshop() {
  const { gadgetId = '' } = useParams();
  const { ready, error, again } = useOpened(gadgetId);
  useFollowers(ready);
  if (error)
    return (
      <main className={classes.away}>
        <h1>This gadget cannot be opened</h1>
        <p role="alert">{error.message}</p>
        <div>
          <Button onClick={again}>Try again</Button>
          <Button component={Link} to="/" variant="default" ml="sm">
            To the shelf
          </Button>
        </div>
      </main>
    );
  return ready ? (
    <Bench gadgetId={gadgetId} />
  ) : (
    <main className={classes.away} aria-busy="true" aria-label="Opening" />
  );
}

function Bench({ gadgetId }: { gadgetId: string }) {
  const [snagsOpen, snags] = useDisclosure(false);
  const [revisionsOpen, revisions] = useDisclosure(false);
  const [keysOpen, keys] = useDisclosure(false);
  const [here, setHere] = useState<KeyPlace>('everywhere');
  const [commandsWanted, commands] = useDisclosure(false);
  const ever = { snags: useEver(snagsOpen), revisions: useEver(revisionsOpen), keys: useEver(keysOpen) };
  const { undo, redo } = useHistory((history) => history);
  const edited = useEver(useGadget(({ made }) => made !== null));
  const conflicted = useSync(({ status }) => status.kind === 'conflict');
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const sheet = useRef<HTMLElement>(null);
  const drawn = useAfterwards();
  useReturn(sheet);
  const openKeys = () => {
    setHere(keyPlaceOf(document.activeElement, pathname.split('/').at(-1)!));
    keys.open();
  };
  const toHand = () => document.querySelector<HTMLElement>('[role="application"]')?.focus();
  useHotkeys([
    ['mod+Z', () => undo()],
    ['mod+shift+Z', () => redo()],
    ['mod+Y', () => redo()],
    ['shift+?', openKeys],
    ['H', toHand],
    ['mod+K', commands.open],
  ]);
  const show = ({ rule, place }: Snag) => {
    snags.close();
    goTo(place);
    void navigate(`/g/${gadgetId}/${sheetOf(rule, place)}`);
  };
  return (
    <div className={classes.bench} data-bench>
      <TopBar gadgetId={gadgetId} openSnags={snags.open} openRevisions={revisions.open} openKeys={openKeys} />
      <Spine gadgetId={gadgetId} />
      <main ref={sheet} className={classes.sheet}>
        {drawn && <Outlet />}
      </main>
      <InHand />
      <Strip />
      <Suspense fallback={null}>
        {edited && <Alike />}
        {conflicted && <ConflictDialog />}
        {ever.snags && <SnagDrawer opened={snagsOpen} close={snags.close} show={show} />}
        {ever.revisions && <RevisionDrawer id={gadgetId} opened={revisionsOpen} close={revisions.close} />}
        {ever.keys && <KeysDialog opened={keysOpen} here={here} close={keys.close} />}
        {commandsWanted && (
          <Commands
            gadgetId={gadgetId}
            openSnags={snags.open}
            openRevisions={revisions.open}
            openKeys={openKeys}
            toHand={toHand}
          />
        )}
      </Suspense>
    </div>
  );
}
