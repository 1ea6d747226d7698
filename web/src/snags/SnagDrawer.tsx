import { Button, Drawer } from '@mantine/core';
import { IconAlertOctagon, IconAlertTriangle, IconInfoCircle } from '@tabler/icons-react';
import type { Snag, Trial } from '@hum-lever/core';
import { edit, useDocument } from '../client/index.ts';
import { FirstStep } from '../shared/index.ts';
import { levelWords, sayingOf } from '../words/index.ts';
import { player } from '../workers/index.ts';
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
  const gadget = useDocument();
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
          {snag.way && (
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => {
                const { seed, stimuli } = snag.way!;
                player.watch(gadget, { seed, stimuli: stimuli as Trial['stimuli'] });
                close();
              }}
            >
              Play the way there
            </Button>
          )}
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
