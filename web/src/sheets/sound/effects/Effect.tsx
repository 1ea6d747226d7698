import { ActionIcon, Button } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { effectPitches, usesOf, type Gadget, type Place, type SoundEffect } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { count, usePlace } from '../../../shared/index.ts';
import { lab } from '../../../workers/index.ts';
import { PlaceLink } from '../PlaceLink.tsx';
import { semitones } from '../pitchWords.ts';
import { useHearing } from '../useHearing.ts';
import { EffectSentence } from './EffectSentence.tsx';
import classes from './Effects.module.css';

/** One effect: the way that its pitch goes, and the numbers that make it. */
export function Effect({ gadget, effect }: { gadget: Gadget; effect: SoundEffect }) {
  const { id, className } = usePlace(effect.id);
  const hearing = useHearing(effect, () => lab().effectWav(gadget, effect));
  const [refused, setRefused] = useState<string | null>(null);
  const told = usesOf(gadget, effect.id);
  return (
    <li id={id} className={className} aria-label={`Effect ${effect.name}`}>
      <div className={classes.top}>
        <Way effect={effect} />
        <Button
          size="compact-xs"
          variant="default"
          aria-label={hearing.sounding ? `Stop ${effect.name}` : `Hear ${effect.name}`}
          onClick={hearing.sounding ? hearing.stop : hearing.hear}
        >
          {hearing.sounding ? 'Stop' : 'Hear'}
        </Button>
        <ActionIcon
          size="sm"
          variant="subtle"
          aria-label={`Take ${effect.name} out`}
          onClick={() => setRefused(edit({ name: 'removeEffect', args: [effect.id] }))}
        >
          <IconX size={14} />
        </ActionIcon>
      </div>
      <EffectSentence
        effect={effect}
        put={(patch) => edit({ name: 'changeEffect', args: [effect.id, patch] })}
      />
      <p className={classes.soft}>
        {told.length === 0 ? 'Nothing sounds it yet.' : `Told in ${count(told.length, 'place')}, first in `}
        {told[0] && <PlaceLink place={told[0]}>{placeName(gadget, told[0])}</PlaceLink>}
      </p>
      {(refused ?? hearing.refused) !== null && <p role="alert">{refused ?? hearing.refused}</p>}
    </li>
  );
}

/** State, layer or the state of a rule. */
const placeName = ({ flow }: Gadget, { id }: Place): string =>
  [...flow.states, ...flow.layers].find((one) => one.id === id)?.name ??
  flow.states.find(({ rules }) => rules.some((rule) => rule.id === id))?.name ??
  '';

const [wide, high] = [132, 44];

/** The way that its pitch goes, as long and as high as there is room. */
function Way({ effect }: { effect: SoundEffect }) {
  const pitches = effectPitches(effect, 0).map(semitones);
  const [low, top] = [Math.min(...pitches), Math.max(...pitches)];
  const scale = (high - 6) / Math.max(2, top - low);
  const step = wide / pitches.length;
  const path = pitches
    .map((pitch, n) => `${n === 0 ? 'M' : 'L'}${n * step} ${high - 3 - (pitch - low) * scale} h${step}`)
    .join(' ');
  return (
    <svg
      className={classes.way}
      width={wide}
      height={high}
      role="img"
      aria-label={`From ${effect.fromHz} to ${effect.toHz} Hz`}
    >
      <path d={path} />
    </svg>
  );
}
