import '../shared/styles/dialog.css';
import { Button, Drawer } from '@mantine/core';
import { IconAlertOctagon, IconAlertTriangle, IconInfoCircle } from '@tabler/icons-react';
import { findRule, type Gadget, type Snag, type SnagWay, type Trial } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../client/index.ts';
import { FirstStep } from '../shared/index.ts';
import { KeepWay } from '../keeping/index.ts';
import { levelWords, namesOf, sayingOf } from '../words/index.ts';
import { lab, player } from '../workers/index.ts';
import { useSnags } from './snagStore.ts';
import classes from './SnagDrawer.module.css';

const icons = { stop: IconAlertOctagon, likely: IconAlertTriangle, note: IconInfoCircle };

/** All findings, worst first, each with its place and, where there is one, its mend. */
export default function SnagDrawer({
  opened,
  close,
  show,
}: {
  opened: boolean;
  close: () => void;
  show: (snag: Snag) => void;
}) {
  const report = useSnags((state) => state.report);
  const snags = report?.snags ?? [];
  return (
    <Drawer
      opened={opened}
      onClose={close}
      position="right"
      size={440}
      title="Snags"
      closeButtonProps={{ 'aria-label': 'Close snags' }}
    >
      {snags.length === 0 && (
        <FirstStep>
          {report === null
            ? 'Looking…'
            : 'No snags. The checks look again at every change, at feel, flow and screens.'}
        </FirstStep>
      )}
      <ul className={classes.list}>
        {snags.map((snag, index) => (
          <Finding
            key={`${snag.rule} ${snag.place.id} ${index}`}
            snag={snag}
            show={() => show(snag)}
            close={close}
          />
        ))}
      </ul>
      {report?.failed.map(({ rule, message }) => (
        <p key={rule} className={classes.failed}>
          Check {rule} could not look at this gadget: {message}
        </p>
      ))}
    </Drawer>
  );
}

function Finding({ snag, show, close }: { snag: Snag; show: () => void; close: () => void }) {
  const { title, sentence, mend } = sayingOf(snag);
  const Icon = icons[snag.level];
  return (
    <li className={`card ${classes.snag}`} data-level={snag.level}>
      <Icon className={classes.icon} size={20} stroke={1.7} aria-label={levelWords[snag.level]} />
      <div>
        <h3>
          {title} <span className={`number ${classes.rule}`}>{snag.rule}</span>
        </h3>
        <p>{sentence}</p>
        <div className={classes.actions}>
          <Button size="compact-sm" variant="default" onClick={show}>
            Show where
          </Button>
          <WayThere snag={snag} title={title} close={close} />
          {mend !== null && (
            <Button size="compact-sm" onClick={() => edit(snag.mend!.edit)}>
              {mend}
            </Button>
          )}
        </div>
      </div>
    </li>
  );
}

/** The state that a finding of the flow is about, where it can be gone to. */
function stateOf(gadget: Gadget, { rule, place }: Snag): string | null {
  // What nothing leads to has no way there.
  if (!rule.startsWith('L') || rule === 'L01') return null;
  if (place.kind === 'state') return place.id;
  return findRule(gadget, place.id)?.state.id ?? null;
}

/** Plays the gadget to where the finding is: by the way that belongs to it, or by one that is looked for now. */
function WayThere({ snag, title, close }: { snag: Snag; title: string; close: () => void }) {
  const gadget = useDocument();
  const [looking, setLooking] = useState<'no' | 'yes' | 'in vain'>('no');
  const stateId = stateOf(gadget, snag);
  if (!snag.way && stateId === null) return null;
  const play = (way: SnagWay) => {
    player.watch(gadget, { seed: way.seed, stimuli: way.stimuli as Trial['stimuli'] });
    close();
  };
  const look = async () => {
    setLooking('yes');
    const way = await lab().wayInto(gadget, stateId!);
    setLooking(way ? 'no' : 'in vain');
    if (way) play(way);
  };
  if (looking === 'in vain') return <span role="status">No way there was found.</span>;
  return (
    <>
      <Button
        size="compact-sm"
        variant="default"
        loading={looking === 'yes'}
        onClick={() => (snag.way ? play(snag.way) : void look())}
      >
        Play the way there
      </Button>
      {snag.way && (
        <KeepWay
          way={snag.way}
          name={stateId === null ? title : `${title}: ${namesOf(gadget)(stateId)}`}
          expected={stateId === null ? [] : [{ kind: 'condition', text: `in(${stateId})`, is: true }]}
        />
      )}
    </>
  );
}
