import type { OutputKind, OutputWhat } from '@hum-lever/core';
import type { ReactNode } from 'react';
import type { ExpectationSlots } from './expected.ts';
import { LightExpected } from './light/ExpectationSlots.tsx';
import { LightsExpected } from './lights/ExpectationSlots.tsx';
import { MidiExpected } from './midi/ExpectationSlots.tsx';
import { MotorExpected, ServoExpected } from './motion/ExpectationSlots.tsx';
import { TextExpected } from './screen/ExpectationSlots.tsx';
import { ToneExpected } from './sound/ExpectationSlots.tsx';
import { LineExpected } from './switching/ExpectationSlots.tsx';
import { TypistExpected } from './typing/ExpectationSlots.tsx';

/** One that is missing here fails to compile. */
const slots: { readonly [K in OutputKind]: ExpectationSlots<K> } = {
  light: LightExpected,
  text: TextExpected,
  tone: ToneExpected,
  servo: ServoExpected,
  motor: MotorExpected,
  midi: MidiExpected,
  typist: TypistExpected,
  lights: LightsExpected,
  line: LineExpected,
};

/** What is expected of an output, behind its name. */
export function OutputExpected(props: { what: OutputWhat; put: (what: OutputWhat) => null }) {
  const Slots = slots[props.what.kind] as (own: typeof props) => ReactNode;
  return <Slots {...props} />;
}
