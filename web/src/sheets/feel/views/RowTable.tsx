import '@mantine/core/styles/Progress.layer.css';
import { Button as PushButton } from '@mantine/core';
import { type Button, type DebounceSetting, type SweepRow } from '@hum-lever/core';
import { showDuration } from '../../../shared/index.ts';
import { settingWords } from '../../../words/index.ts';
import { changeOf } from '../cards/change.ts';
import classes from '../Feel.module.css';
import { oddsCell } from '../oddsWords.ts';

export function RowTable({
  rows,
  settings,
  best,
  control,
}: {
  rows: readonly SweepRow[];
  settings: readonly DebounceSetting[];
  best: ReadonlySet<SweepRow>;
  control: Button;
}) {
  const change = changeOf<Button>(control.id);
  return (
    <div className={classes.scroll} tabIndex={0} role="region" aria-label="Table of settings">
      <table className={`${classes.table} ${classes.wide}`}>
        <thead>
          <tr>
            <th scope="col">Setting</th>
            <th scope="col">False in 1000</th>
            <th scope="col">Missed in 1000</th>
            <th scope="col">Press: half, 99 %, worst</th>
            <th scope="col">Letting go: half, 99 %, worst</th>
            <th scope="col">Fastest repeat</th>
            <th scope="col">Spikes up to</th>
            <th scope="col">Cost</th>
            <th scope="col">Take it</th>
          </tr>
        </thead>
        <tbody className="number">
          {rows.map((row) => {
            const setting = settings[row.setting]!;
            return (
              <tr key={row.setting} data-best={best.has(row) || undefined}>
                <th scope="row">{settingWords(setting)}</th>
                <td>{oddsCell(row.falseOdds)}</td>
                <td>{oddsCell(row.missedOdds)}</td>
                <td>{spreadWords(row.press)}</td>
                <td>{spreadWords(row.release)}</td>
                <td>{row.fastestRepeatUs === null ? 'none' : showDuration(row.fastestRepeatUs)}</td>
                <td>{showDuration(row.rejectedSpikeUs)}</td>
                <td>
                  {row.bytes} B, {row.operations} op
                </td>
                <td>
                  <PushButton
                    size="compact-xs"
                    variant="default"
                    aria-label={`Use ${settingWords(setting)}`}
                    onClick={() => change({ debounce: setting })}
                  >
                    Use
                  </PushButton>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const spreadWords = (spread: SweepRow['press']) =>
  spread === null
    ? 'never'
    : [spread.medianUs, spread.p99Us, spread.worstUs].map((us) => (us / 1_000).toFixed(1)).join(', ') +
      '\u202fms';
