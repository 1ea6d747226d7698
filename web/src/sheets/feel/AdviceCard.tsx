import {
  profileOf,
  purposes,
  sameSetting,
  schools,
  type Button,
  type Purpose,
  type Recommendation,
  type School,
  type SweepRow,
} from '@hum-lever/core';
import { Choice, DurationField, NumberField, showDuration } from '../../shared/index.ts';
import { settingWords } from '../../words/index.ts';
import { changeOf } from './cards/change.ts';
import { AdviceFrame, Verdict } from './cards/WhatToSet.tsx';
import classes from './Feel.module.css';
import { oddsWords } from './oddsWords.ts';
import { useAdvice } from './useAdvice.ts';

const purposeWords: Record<Purpose, string> = {
  game: 'a game: quick',
  instrument: 'an instrument: quicker still',
  menu: 'a menu: calm',
  destructive: 'something that cannot be undone',
  wake: 'waking it up',
};
const schoolWords: Record<School, string> = {
  'fire-then-ignore': 'Fire at once, then ignore',
  'wait-then-fire': 'Wait until sure, then fire',
};

/** What to set and why, for what the button is for; one action applies it. */
export function AdviceCard({ control }: { control: Button }) {
  const advice = useAdvice(control);
  const change = changeOf<Button>(control.id);
  const { wants } = control;
  const usual = profileOf(wants.purpose);
  return (
    <AdviceFrame>
      <div className={classes.wants}>
        <Choice
          visible
          label="It is for"
          data={[
            { value: '', label: 'not said yet' },
            ...purposes.map((purpose) => ({ value: purpose as string, label: purposeWords[purpose] })),
          ]}
          value={wants.purpose ?? ''}
          choose={(chosen) => {
            const purpose = purposes.find((one) => one === chosen) ?? null;
            change({ wants: { purpose, latestUs: null, wrongPerMillion: null } });
          }}
        />
        <DurationField
          label="Known within"
          minUs={1}
          maxUs={1_000_000}
          step={1}
          value={wants.latestUs ?? usual.latestUs}
          commit={(latestUs) => change({ wants: { ...wants, latestUs } })}
        />
        <NumberField
          label="Wrong, at most"
          unit="in 1 000 000"
          width={180}
          min={0}
          max={1_000_000}
          value={wants.wrongPerMillion ?? usual.wrongPerMillion}
          commit={(wrongPerMillion) => change({ wants: { ...wants, wrongPerMillion } })}
        />
      </div>
      {advice ? <Advice advice={advice} control={control} /> : <p role="status">Trying the methods…</p>}
    </AdviceFrame>
  );
}

function Advice({ advice, control }: { advice: Recommendation; control: Button }) {
  const change = changeOf<Button>(control.id);
  const taken = sameSetting(advice.setting, control.debounce);
  return (
    <>
      <Verdict
        met={advice.met}
        taken={taken}
        take={() => change({ debounce: advice.setting })}
        setting={`${settingWords(advice.setting)}.`}
        now={
          <span className="soft">
            Now: {settingWords(control.debounce)}, which{' '}
            {advice.now.met ? 'keeps both limits too' : 'does not keep both limits'}:{' '}
            {rowWords(advice.now.row)}
          </span>
        }
      >
        {reasonWords(advice)}
      </Verdict>
      <dl className={classes.schools}>
        {schools.map((school) => {
          const best = advice.best[school];
          return (
            <div key={school} data-picked={advice.school === school || undefined}>
              <dt>{schoolWords[school]}</dt>
              <dd>
                {best
                  ? `${settingWords(best.setting)}. ${rowWords(best.row)}`
                  : 'No setting of it answers this switch.'}
              </dd>
            </div>
          );
        })}
      </dl>
    </>
  );
}

function rowWords({ press, falseOdds, missedOdds }: SweepRow): string {
  const late = press ? `${showDuration(press.p99Us)} at most for 99 of 100` : 'never known';
  return `${late}; false ${oddsWords(falseOdds)}; missed ${oddsWords(missedOdds)}.`;
}

/** Why, in one sentence. */
function reasonWords({ row, school, met, limits, best }: Recommendation): string {
  const { press, rejectedSpikeUs } = row;
  if (!press) return 'No method answers a press of this switch: look at the contact first.';
  const late = showDuration(press.p99Us);
  if (!met)
    return `Nothing keeps both limits on this switch: this comes closest, with 99 of 100 presses known within ${late} and ${oddsWords(row.falseOdds)} false.`;
  const other = best[school === 'fire-then-ignore' ? 'wait-then-fire' : 'fire-then-ignore'];
  if (school === 'fire-then-ignore')
    return `A press is known within ${late} of the touch, where ${showDuration(limits.latestUs)} are allowed${
      other?.row.press ? `; waiting until sure would take ${showDuration(other.row.press.p99Us)}` : ''
    }, and its bounce is ridden out: false ${oddsWords(row.falseOdds)}.`;
  return `It waits until it is sure, so that spikes of up to ${showDuration(rejectedSpikeUs)} do nothing, and 99 of 100 presses are still known within ${late}, where ${showDuration(limits.latestUs)} are allowed: false ${oddsWords(row.falseOdds)}.`;
}
