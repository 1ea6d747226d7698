import { ActionIcon, Menu } from '@mantine/core';
import { IconChevronDown, IconPlus, IconX } from '@tabler/icons-react';
import { showExpression, showTemplate, type Action, type LightMode } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { Choice, DurationField, NumberField, RowField, TextField } from '../../shared/index.ts';
import { actionChoices, typedExpression, typedTemplate } from './sentences.ts';
import classes from './Flow.module.css';

type Put = (action: Action) => string | null;

/** What happens, one line each; `put` replaces the whole list. */
export function ActionList({
  label,
  actions,
  put,
}: {
  label: string;
  actions: Action[];
  put: (actions: Action[]) => string | null;
}) {
  const replace = (index: number, by: Action[]) => put(actions.toSpliced(index, 1, ...by));
  return (
    <ul className={classes.actions} aria-label={label}>
      {actions.map((action, index) => (
        <li key={index}>
          <ActionLine action={action} put={(changed) => replace(index, [changed])} />
          <span className={classes.lineTools}>
            {index > 0 && (
              <ActionIcon
                size="sm"
                variant="subtle"
                aria-label="Do the line before after this one"
                onClick={() => put(actions.toSpliced(index - 1, 2, action, actions[index - 1]!))}
              >
                <IconChevronDown size={15} style={{ rotate: '180deg' }} />
              </ActionIcon>
            )}
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label="Take this line out"
              onClick={() => replace(index, [])}
            >
              <IconX size={15} />
            </ActionIcon>
          </span>
        </li>
      ))}
      <li>
        <AddAction label={label} add={(action) => put([...actions, action])} />
      </li>
    </ul>
  );
}

function AddAction({ label, add }: { label: string; add: (action: Action) => void }) {
  const gadget = useDocument();
  return (
    <Menu position="bottom-start">
      <Menu.Target>
        <button type="button" className={classes.add} aria-label={`${label}: add something that happens`}>
          <IconPlus size={14} aria-hidden /> do
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {actionChoices(gadget).map(({ label: word, action }) => (
          <Menu.Item key={word} onClick={() => add(action)}>
            {word}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

/** Which of the gadget's outputs of that kind. */
function OutputSlot({ kind, value, choose }: { kind: string; value: string; choose: (id: string) => void }) {
  const { outputs } = useDocument();
  const data = outputs
    .filter((output) => output.kind === kind)
    .map(({ id, name }) => ({ value: id, label: name }));
  return <Choice label="Output" data={data} value={value} choose={(chosen) => choose(chosen)} />;
}

/** An expression or text over variables, shown and typed by their names. */
function ExpressionSlot({
  label,
  value,
  template = false,
  commit,
}: {
  label: string;
  value: string;
  template?: boolean;
  commit: (stored: string) => string | null;
}) {
  const { variables } = useDocument().flow;
  return (
    <TextField
      size="xs"
      className={template ? classes.wide! : classes.expression!}
      classNames={{ input: 'number' }}
      aria-label={label}
      value={(template ? showTemplate : showExpression)(value, variables)}
      commit={(typed) => {
        const read = (template ? typedTemplate : typedExpression)(typed, variables);
        return 'ok' in read ? commit(read.ok) : read.refused;
      }}
    />
  );
}

function ActionLine({ action, put }: { action: Action; put: Put }) {
  const { variables } = useDocument().flow;
  switch (action.kind) {
    case 'set':
      return (
        <>
          <Choice
            label="Variable"
            data={variables.map(({ id, name }) => ({ value: id, label: name }))}
            value={action.variableId}
            choose={(chosen) => put({ ...action, variableId: chosen })}
          />
          becomes
          <ExpressionSlot
            label="New value"
            value={action.value}
            commit={(value) => put({ ...action, value })}
          />
        </>
      );
    case 'light':
      return (
        <>
          <OutputSlot
            kind="light"
            value={action.outputId}
            choose={(outputId) => put({ ...action, outputId })}
          />
          <LightSlots light={action.light} put={(light) => put({ ...action, light })} />
        </>
      );
    case 'text':
      return (
        <>
          <OutputSlot
            kind="text"
            value={action.outputId}
            choose={(outputId) => put({ ...action, outputId })}
          />
          row
          <RowField value={action.row} commit={(row) => put({ ...action, row })} />
          shows
          <ExpressionSlot
            template
            label="Text, with expressions in braces"
            value={action.text}
            commit={(text) => put({ ...action, text })}
          />
        </>
      );
    case 'tone':
      return (
        <>
          <OutputSlot
            kind="tone"
            value={action.outputId}
            choose={(outputId) => put({ ...action, outputId })}
          />
          sounds at
          <ExpressionSlot label="Pitch in hertz" value={action.hz} commit={(hz) => put({ ...action, hz })} />
          Hz {action.lengthUs === 0 ? 'until changed' : 'for'}
          <DurationField
            label=""
            aria-label="Length, 0 until changed"
            width={92}
            step={50}
            value={action.lengthUs}
            commit={(lengthUs) => put({ ...action, lengthUs })}
          />
        </>
      );
    case 'silence':
      return (
        <>
          <OutputSlot
            kind="tone"
            value={action.outputId}
            choose={(outputId) => put({ ...action, outputId })}
          />
          falls silent
        </>
      );
    case 'wait':
      return (
        <>
          everything waits
          <DurationField
            label=""
            aria-label="Length of the wait"
            width={92}
            minUs={1_000}
            step={50}
            value={action.lengthUs}
            commit={(lengthUs) => put({ ...action, lengthUs })}
          />
        </>
      );
  }
}

/** How each mode starts out when it is chosen. */
const freshLight: Record<LightMode['mode'], LightMode> = {
  on: { mode: 'on' },
  off: { mode: 'off' },
  blink: { mode: 'blink', periodUs: 1_000_000 },
  fade: { mode: 'fade', levelPercent: 50, overUs: 500_000 },
};
const lightWords: Record<LightMode['mode'], string> = {
  on: 'goes on',
  off: 'goes off',
  blink: 'blinks every',
  fade: 'fades to',
};

function LightSlots({ light, put }: { light: LightMode; put: (light: LightMode) => string | null }) {
  return (
    <>
      <Choice
        label="What the light does"
        data={Object.entries(lightWords).map(([value, label]) => ({ value, label }))}
        value={light.mode}
        choose={(chosen) => put(freshLight[chosen as LightMode['mode']])}
      />
      {light.mode === 'blink' && (
        <DurationField
          label=""
          aria-label="Blinking period"
          width={98}
          minUs={10_000}
          step={50}
          value={light.periodUs}
          commit={(periodUs) => put({ ...light, periodUs })}
        />
      )}
      {light.mode === 'fade' && (
        <>
          <NumberField
            label=""
            aria-label="Level"
            unit="%"
            width={78}
            min={0}
            max={100}
            value={light.levelPercent}
            commit={(levelPercent) => put({ ...light, levelPercent })}
          />
          over
          <DurationField
            label=""
            aria-label="Length of the fade"
            width={98}
            minUs={1_000}
            step={50}
            value={light.overUs}
            commit={(overUs) => put({ ...light, overUs })}
          />
        </>
      )}
    </>
  );
}
