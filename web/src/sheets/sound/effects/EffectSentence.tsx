import { effectCurves, limits, type SoundEffect } from '@hum-lever/core';
import type { ReactNode } from 'react';
import { Choice, DurationField, NumberField, Prose, TextField, WhileWriting } from '../../../shared/index.ts';

type Put = (patch: Partial<Omit<SoundEffect, 'id'>>) => string | null;

const curveWords = {
  even: 'evenly',
  early: 'most of it at first',
  late: 'most of it at last',
} as const;

/** What there is none of is not spoken of while it is read. */
const Unless = ({ none, children }: { none: boolean; children: ReactNode }) =>
  none ? <WhileWriting>{children}</WhileWriting> : children;

/** An effect in a sentence, by the numbers that make it. */
export function EffectSentence({ effect, put }: { effect: SoundEffect; put: Put }) {
  const { name, fromHz, toHz, lengthUs, curve, stairs, tremblesCents, noiseCents } = effect;
  const pitch = { label: '', unit: 'Hz', width: 104, min: 20, max: limits.toneHz } as const;
  const cents = { label: '', unit: 'cents', width: 112, min: 0 } as const;
  return (
    <Prose id={effect.id}>
      <TextField
        size="xs"
        aria-label="Name of the effect"
        value={name}
        commit={(typed) => put({ name: typed.trim() })}
      />
      goes from
      <NumberField {...pitch} aria-label="From" value={fromHz} commit={(hz) => put({ fromHz: hz })} />
      to
      <NumberField {...pitch} aria-label="To" value={toHz} commit={(hz) => put({ toHz: hz })} />
      in
      <DurationField
        label=""
        aria-label="Length of the effect"
        width={104}
        minUs={20_000}
        maxUs={limits.effectUs}
        value={lengthUs}
        commit={(us) => put({ lengthUs: us })}
      />
      and gets there
      <Choice
        label="How it goes there"
        data={effectCurves.map((value) => ({ value, label: curveWords[value] }))}
        value={curve}
        choose={(value) => put({ curve: value })}
      />
      <Unless none={stairs === 0}>
        in
        <NumberField
          label=""
          aria-label="Stairs, 0 for none"
          width={64}
          min={0}
          max={16}
          value={stairs}
          commit={(value) => put({ stairs: value })}
        />
        {stairs === 1 ? 'stair' : 'stairs'}
      </Unless>
      <Unless none={tremblesCents === 0}>
        and trembles by
        <NumberField
          {...cents}
          aria-label="Trembles, cents to each side"
          max={1_200}
          value={tremblesCents}
          commit={(value) => put({ tremblesCents: value })}
        />
      </Unless>
      <Unless none={noiseCents === 0}>
        and has noise of
        <NumberField
          {...cents}
          aria-label="Noise, cents to each side"
          max={4_800}
          value={noiseCents}
          commit={(value) => put({ noiseCents: value })}
        />
      </Unless>
    </Prose>
  );
}
