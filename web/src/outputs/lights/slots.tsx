import { paints, type Paint } from '@hum-lever/core';
import { Choice, NumberField, WhileWriting } from '../../shared/index.ts';
import { ExpressionSlot, LengthSlot, PlainSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';
import { RangeSlots } from './RangeSlots.tsx';

type Set<T> = (value: T) => string | null;

const paintWords = paints.map((value) => ({ value, label: value === 'off' ? 'dark' : value }));
function PaintSlot({ label = 'Colour', value, put }: { label?: string; value: Paint; put: Set<Paint> }) {
  return <Choice label={label} data={paintWords} value={value} choose={put} />;
}
function LevelSlot({ value, put }: { value: string; put: Set<string> }) {
  return (
    <>
      at
      <ExpressionSlot short label="Level in percent" value={value} commit={put} />%
    </>
  );
}

/** Steps from one colour to the next, as many as wanted. */
function ThroughSlots({ through, put }: { through: Paint[]; put: Set<Paint[]> }) {
  return (
    <>
      {through.map((paint, n) => (
        <PaintSlot
          // Colours have no identity of their own: their place is what they are.
          key={n}
          label={`Colour ${n + 1}`}
          value={paint}
          put={(changed) => put(through.with(n, changed))}
        />
      ))}
      <WhileWriting>
        <NumberField
          label=""
          aria-label="How many colours"
          unit="colours"
          width={104}
          min={1}
          max={6}
          value={through.length}
          commit={(wanted) => put(Array.from({ length: wanted }, (_, n) => through[n] ?? through.at(-1)!))}
        />
      </WhileWriting>
    </>
  );
}

export const lights: SlotsBy<
  | 'paintLights'
  | 'mixLights'
  | 'hueLights'
  | 'fillLights'
  | 'shiftLights'
  | 'patternLights'
  | 'blinkLights'
  | 'fadeLights'
> = {
  paintLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      turn
      <PaintSlot value={action.colour} put={(colour) => put({ ...action, colour })} />
      {action.colour !== 'off' && (
        <LevelSlot value={action.percent} put={(percent) => put({ ...action, percent })} />
      )}
    </>
  ),
  mixLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      mix
      {(['red', 'green', 'blue'] as const).map((channel) => (
        <ExpressionSlot
          key={channel}
          short
          label={`${channel[0]!.toUpperCase()}${channel.slice(1)}, 0 to 255`}
          value={action[channel]}
          commit={(value) => put({ ...action, [channel]: value })}
        />
      ))}
    </>
  ),
  hueLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      take the hue
      <ExpressionSlot
        short
        label="Degrees of the colour wheel"
        value={action.hue}
        commit={(hue) => put({ ...action, hue })}
      />
      ° <LevelSlot value={action.percent} put={(percent) => put({ ...action, percent })} />
    </>
  ),
  fillLights: ({ action, put }) => (
    <>
      the first
      <ExpressionSlot
        short
        label="How many are lit"
        value={action.amount}
        commit={(amount) => put({ ...action, amount })}
      />
      of
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      turn
      <PaintSlot value={action.colour} put={(colour) => put({ ...action, colour })} />
      <LevelSlot value={action.percent} put={(percent) => put({ ...action, percent })} />
    </>
  ),
  shiftLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      <Choice
        label="Round, or leaving dark"
        data={[
          { value: 'round', label: 'go round by' },
          { value: 'dark', label: 'move on by' },
        ]}
        value={action.round ? 'round' : 'dark'}
        choose={(chosen) => put({ ...action, round: chosen === 'round' })}
      />
      <ExpressionSlot short label="Places" value={action.by} commit={(by) => put({ ...action, by })} />
    </>
  ),
  patternLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      show
      <PlainSlot
        label="Pattern, # lit and . dark"
        value={action.steps}
        commit={(steps) => put({ ...action, steps })}
      />
      in
      <PaintSlot value={action.colour} put={(colour) => put({ ...action, colour })} />
      <LevelSlot value={action.percent} put={(percent) => put({ ...action, percent })} />
    </>
  ),
  blinkLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      blink every
      <LengthSlot
        label="Blinking period"
        minUs={10_000}
        value={action.period}
        commit={(period) => put({ ...action, period })}
      />
    </>
  ),
  fadeLights: ({ action, put }) => (
    <>
      <RangeSlots range={action} put={(range) => put({ ...action, ...range })} />
      fade to
      <ThroughSlots through={action.through} put={(through) => put({ ...action, through })} />
      over
      <LengthSlot
        label="Length of the fade"
        minUs={1_000}
        value={action.over}
        commit={(over) => put({ ...action, over })}
      />
    </>
  ),
};
