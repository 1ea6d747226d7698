import { variableShape } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { freshVarying, type Varying } from './degrees.ts';
import classes from './Players.module.css';

/** What makes it harder or easier: a variable, and what it is when a round begins. */
export function Difficulty({
  varying,
  put,
}: {
  varying: Varying | null;
  put: (varying: Varying | null) => void;
}) {
  const variables = useDocument().flow.variables.filter((one) => variableShape(one) === 'one');
  if (variables.length === 0) return null;
  const variable = variables.find(({ id }) => id === varying?.variableId);
  const change = (patch: Partial<Varying>) => {
    if (varying) put({ ...varying, ...patch });
    return null;
  };
  return (
    <div className={classes.line}>
      It is played
      <Choice
        label="Difficulty"
        data={[
          { value: '', label: 'as it is' },
          ...variables.map(({ id, name }) => ({ value: id, label: `with ${name} at` })),
        ]}
        value={variable?.id ?? ''}
        choose={(id) => {
          const chosen = variables.find((one) => one.id === id);
          put(chosen ? freshVarying(chosen) : null);
        }}
      />
      {varying && variable?.kind === 'number' && (
        <>
          <NumberField
            label=""
            aria-label="At least"
            width={86}
            min={variable.min}
            max={variable.max}
            value={varying.low}
            commit={(low) => change({ low })}
          />
          to
          <NumberField
            label=""
            aria-label="At most"
            width={86}
            min={variable.min}
            max={variable.max}
            value={varying.high}
            commit={(high) => change({ high })}
          />
          in five degrees, when a round begins
        </>
      )}
      {varying &&
        (variable?.kind === 'choice' || variable?.kind === 'flag') &&
        'each of its values in turn, when a round begins'}
    </div>
  );
}
