import { Button as PushButton } from '@mantine/core';
import type { Button, DebounceSetting, MeasuredTally } from '@hum-lever/core';
import { edit } from '../../client/index.ts';
import { showDuration } from '../../shared/index.ts';
import { paramWords } from '../../words/index.ts';
import { Finger, Level, Windows } from './Drawing.tsx';
import classes from './Feel.module.css';
import { oddsWords } from './oddsWords.ts';
import type { Answer, Window } from './press.ts';
import { useMeasures } from './useMeasures.ts';

/** What every method would have made of the same press, and of thousands like it. */
export function Answers({
  control,
  answers,
  windows,
  fingers,
}: {
  control: Button;
  answers: Answer[];
  windows: Window[];
  fingers: number[];
}) {
  const measures = useMeasures(control);
  const use = (debounce: DebounceSetting) =>
    edit({ name: 'changeControl', args: [control.id, { debounce }] });
  return (
    <>
      <h2 className={classes.second}>The same press, cleaned by each method</h2>
      <ul className={classes.answers}>
        {answers.map(({ setting, title, chosen, edges, presses, latencyUs }, index) => (
          <li key={setting.algorithm} className="card" data-chosen={chosen || undefined}>
            <div className={classes.answerHead}>
              <h3>{title}</h3>
              <span className="number">{paramWords(setting)}</span>
              {chosen ? (
                <span className={classes.inHand}>in hand</span>
              ) : (
                <PushButton
                  size="compact-xs"
                  variant="default"
                  onClick={() => use(setting)}
                  aria-label={`Use ${title}`}
                >
                  Use it
                </PushButton>
              )}
            </div>
            <div className={classes.answerBody}>
              <Windows windows={windows}>
                {(scale) => (
                  <>
                    <Finger moments={fingers} scale={scale} />
                    <Level edges={edges} stage="clean" scale={scale} />
                  </>
                )}
              </Windows>
              <p data-bad={presses !== 1 || undefined}>{answerWords(presses, latencyUs)}</p>
            </div>
            <p className={classes.measure}>{measureWords(measures?.[index])}</p>
          </li>
        ))}
      </ul>
    </>
  );
}

function answerWords(presses: number, latencyUs: number | null): string {
  if (presses === 0) return 'It would be lost.';
  return presses === 1 ? `Once, after ${showDuration(latencyUs!)}.` : `It would count ${presses} times.`;
}

function measureWords(measure: MeasuredTally | undefined): string {
  if (!measure) return 'Measuring…';
  const { falseOdds, missedOdds, press } = measure;
  const late = press
    ? ` Half of them known within ${showDuration(press.medianUs)}, all within ${showDuration(press.worstUs)}.`
    : '';
  return `False: ${oddsWords(falseOdds)}. Missed: ${oddsWords(missedOdds)}.${late}`;
}
