import { Button as PushButton } from '@mantine/core';
import { handsOf, leastPresses, type Hands } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { DurationField, StageIcon } from '../../../shared/index.ts';
import { traceNow } from '../../../workers/index.ts';
import classes from '../Feel.module.css';
import { madePresses } from '../press.ts';

const handFields: { field: keyof Hands; label: string }[] = [
  { field: 'shortestPressUs', label: 'Shortest press' },
  { field: 'ordinaryPressUs', label: 'Ordinary press' },
  { field: 'longTapUs', label: 'Longest tap' },
  { field: 'holdFeltUs', label: 'Felt as held from' },
  { field: 'fastestRepeatUs', label: 'Fastest repeat, every' },
  { field: 'comfortableRepeatUs', label: 'Comfortable repeat, every' },
  { field: 'togetherUs', label: 'Keys together lie within' },
  { field: 'quickTurnUs', label: 'Quickest whole turn' },
];

/** The hands that this gadget is for: typed, or taken from what was played. */
export function HandsCard() {
  const { hands } = useDocument();
  const [said, say] = useState('');
  const take = () => {
    const found = handsOf(madePresses(traceNow()));
    if (!found) return say(`That takes at least ${leastPresses} presses in hand.`);
    say(edit({ name: 'changeHands', args: [found] }) ?? 'Taken from the presses on the strip.');
  };
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Whose hands
      </legend>
      <div className={classes.pair}>
        {handFields.map(({ field, label }) => (
          <DurationField
            key={field}
            width="100%"
            label={label}
            minUs={1_000}
            step={10}
            value={hands[field]}
            commit={(us) => edit({ name: 'changeHands', args: [{ [field]: us }] })}
          />
        ))}
      </div>
      <PushButton size="compact-sm" variant="default" onClick={take}>
        Take mine, from what I have played
      </PushButton>
      <p className="soft" role="status">
        {said || 'Typical of adult hands. Small, old or gloved hands differ.'}
      </p>
    </fieldset>
  );
}
