import type { OutputActionOf } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { Choice } from '../../shared/index.ts';
import { ExpressionSlot, NamedSlot } from '../../slots/index.ts';

type Performed = Pick<OutputActionOf<'perform'>, 'tuneId' | 'voiceId'>;

/** Which tune, and which voice of it. */
export function TuneSlots({
  action: { tuneId, voiceId },
  put,
}: {
  action: Performed;
  put: (patch: Performed) => string | null;
}) {
  const { tunes } = useDocument();
  const voices = tunes.find(({ id }) => id === tuneId)?.voices ?? [];
  return (
    <>
      {voices.length > 1 && (
        <>
          <Choice
            label="Voice"
            data={[
              { value: '', label: 'all voices' },
              ...voices.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            value={voiceId ?? ''}
            choose={(chosen) => void put({ tuneId, voiceId: chosen === '' ? null : chosen })}
          />
          of
        </>
      )}
      <NamedSlot
        label="Tune"
        among={tunes}
        value={tuneId}
        choose={(chosen) => void put({ tuneId: chosen, voiceId: null })}
      />
    </>
  );
}

/** “at 120 beats a minute”. */
export const TempoSlot = ({ value, commit }: { value: string; commit: (text: string) => string | null }) => (
  <>
    at
    <ExpressionSlot short label="Beats a minute, 0 as it is written" value={value} commit={commit} />
    beats a minute{value.trim() === '0' && ' (as it is written)'}
  </>
);

/** Which effect. */
export function EffectSlot({ value, choose }: { value: string; choose: (id: string) => void }) {
  return <NamedSlot label="Effect" among={useDocument().effects} value={value} choose={choose} />;
}
