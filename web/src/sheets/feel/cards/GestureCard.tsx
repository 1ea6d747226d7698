import '../../../shared/styles/toggle.css';
import { Switch } from '@mantine/core';
import type { Button, GestureSetting } from '@hum-lever/core';
import { DurationField, NumberField, StageIcon } from '../../../shared/index.ts';
import classes from '../Feel.module.css';
import { changeOf } from './change.ts';

/** What the button listens for beyond press, release and tap. */
export function GestureCard({ control: { id, gestures } }: { control: Button }) {
  const change = changeOf<Button>(id);
  const set = (patch: Partial<GestureSetting>) => change({ gestures: { ...gestures, ...patch } });
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="gesture" /> Gestures
      </legend>
      <p className="soft">Pressed, let go and tapped are always heard.</p>
      <HoldFields gestures={gestures} set={set} />
      <DoubleFields gestures={gestures} set={set} />
      <RepeatFields gestures={gestures} set={set} />
    </fieldset>
  );
}

interface Fields {
  gestures: GestureSetting;
  set: (patch: Partial<GestureSetting>) => string | null;
}

const longerWords = ['Held longer from', 'Held longest from'];

function HoldFields({ gestures: { holdUs, longerHoldsUs }, set }: Fields) {
  const last = longerHoldsUs.at(-1) ?? holdUs;
  return (
    <>
      <Switch
        label="Held"
        checked={holdUs !== null}
        onChange={(event) =>
          set(event.currentTarget.checked ? { holdUs: 500_000 } : { holdUs: null, longerHoldsUs: [] })
        }
      />
      {holdUs !== null && (
        <DurationField
          width="100%"
          label="Held from"
          minUs={1_000}
          step={50}
          value={holdUs}
          commit={(us) => set({ holdUs: us })}
        />
      )}
      {longerHoldsUs.map((us, index) => (
        <DurationField
          key={longerWords[index]}
          width="100%"
          label={longerWords[index]}
          minUs={1_000}
          step={100}
          value={us}
          commit={(value) => set({ longerHoldsUs: longerHoldsUs.with(index, value) })}
        />
      ))}
      {holdUs !== null && (
        <div className={classes.thresholds}>
          {longerHoldsUs.length < 2 && (
            <button
              type="button"
              onClick={() => set({ longerHoldsUs: [...longerHoldsUs, last! + 1_000_000] })}
            >
              One more threshold
            </button>
          )}
          {longerHoldsUs.length > 0 && (
            <button type="button" onClick={() => set({ longerHoldsUs: longerHoldsUs.slice(0, -1) })}>
              One less
            </button>
          )}
        </div>
      )}
    </>
  );
}

function DoubleFields({ gestures: { doubleWindowUs, triple }, set }: Fields) {
  return (
    <>
      <Switch
        label="Tapped twice"
        checked={doubleWindowUs !== null}
        onChange={(event) =>
          set(
            event.currentTarget.checked
              ? { doubleWindowUs: 250_000 }
              : { doubleWindowUs: null, triple: false },
          )
        }
      />
      {doubleWindowUs !== null && (
        <>
          <DurationField
            width="100%"
            label="Second tap within (every tap waits so long)"
            minUs={1_000}
            step={25}
            value={doubleWindowUs}
            commit={(us) => set({ doubleWindowUs: us })}
          />
          <Switch
            label="Tapped three times (every double waits too)"
            checked={triple}
            onChange={(event) => set({ triple: event.currentTarget.checked })}
          />
        </>
      )}
    </>
  );
}

function RepeatFields({ gestures: { repeat }, set }: Fields) {
  const usual = { delayUs: 400_000, everyUs: 120_000, quickenPercent: 100, fastestUs: 120_000 };
  return (
    <>
      <Switch
        label="Repeats while held"
        checked={repeat !== null}
        onChange={(event) => set({ repeat: event.currentTarget.checked ? usual : null })}
      />
      {repeat !== null && (
        <div className={classes.pair}>
          <DurationField
            width="100%"
            label="First after"
            minUs={1_000}
            step={50}
            value={repeat.delayUs}
            commit={(delayUs) => set({ repeat: { ...repeat, delayUs } })}
          />
          <DurationField
            width="100%"
            label="Then every"
            minUs={1_000}
            step={10}
            value={repeat.everyUs}
            commit={(everyUs) =>
              set({ repeat: { ...repeat, everyUs, fastestUs: Math.min(everyUs, repeat.fastestUs) } })
            }
          />
          <NumberField
            width="100%"
            label="Each pause"
            unit="% of the last"
            min={50}
            max={100}
            value={repeat.quickenPercent}
            commit={(quickenPercent) => set({ repeat: { ...repeat, quickenPercent } })}
          />
          <DurationField
            width="100%"
            label="Down to"
            minUs={1_000}
            step={10}
            value={repeat.fastestUs}
            commit={(fastestUs) => set({ repeat: { ...repeat, fastestUs } })}
          />
        </div>
      )}
    </>
  );
}
