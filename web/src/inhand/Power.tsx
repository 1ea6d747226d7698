import { ActionIcon, Menu, Tooltip } from '@mantine/core';
import { IconPower } from '@tabler/icons-react';
import { exampleOf, wholeGadget, type Gadget, type Trigger } from '@hum-lever/core';
import { player } from '../workers/index.ts';

type Whole = Extract<Trigger, { kind: 'power' | 'midi' }>;

const midiWords = {
  noteOn: 'A note begins',
  noteOff: 'A note ends',
  control: 'A controller moves',
  program: 'A program is chosen',
  bend: 'A bend comes in',
  pressure: 'Keys are pressed on',
  keyPressure: 'A key is pressed on',
  clock: 'A clock ticks',
  start: 'What follows a clock starts',
  continue: 'What follows a clock goes on',
  stop: 'What follows a clock stops',
} as const;

/** What can happen to the gadget as a whole, as far as its rules wait for it, each once. */
function awaited({ flow }: Gadget): Whole[] {
  const found = flow.states.flatMap(({ rules }) =>
    rules.flatMap(({ trigger }) => (trigger.kind === 'midi' || trigger.kind === 'power' ? [trigger] : [])),
  );
  return [...new Map(found.map((trigger) => [JSON.stringify(trigger), trigger])).values()].filter(
    (trigger) => trigger.kind === 'midi' || trigger.what !== 'up',
  );
}

const wordsOf = (trigger: Whole): string => {
  if (trigger.kind === 'power') return trigger.what === 'wake' ? 'Wake it' : 'Let its cell run low';
  const number = trigger.number === null ? '' : ` (${trigger.number})`;
  return `${midiWords[trigger.message]}${number}, by MIDI`;
};

/** Off and on again; and whatever else can happen to the gadget as a whole. */
export function PowerButton({ gadget }: { gadget: Gadget }) {
  const kept = gadget.flow.variables.some(({ saved }) => saved !== null);
  const events = awaited(gadget);
  const anew = () => player.load(gadget);
  if (!kept && events.length === 0)
    return (
      <Tooltip label="Switch off and on">
        <ActionIcon variant="subtle" aria-label="Switch off and on" onClick={anew}>
          <IconPower size={18} stroke={1.7} />
        </ActionIcon>
      </Tooltip>
    );
  const cycle = () => player.touch(wholeGadget, { what: 'power', event: 'cycle' });
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <ActionIcon variant="subtle" aria-label="Power, and what comes from outside">
          <IconPower size={18} stroke={1.7} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={cycle}>Switch off and on; what is kept stays</Menu.Item>
        <Menu.Item onClick={anew}>Switch on as new; nothing is kept</Menu.Item>
        {events.length > 0 && <Menu.Divider />}
        {events.map((trigger) => (
          <Menu.Item
            key={JSON.stringify(trigger)}
            onClick={() =>
              player.touch(
                wholeGadget,
                trigger.kind === 'midi'
                  ? { what: 'midi', bytes: exampleOf(trigger) }
                  : { what: 'power', event: trigger.what === 'wake' ? 'wake' : 'low' },
              )
            }
          >
            {wordsOf(trigger)}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
