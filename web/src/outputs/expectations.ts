import type { OutputKind, OutputWhat } from '@hum-lever/core';
import type { Expected } from './expected.ts';
import { light } from './light/expectation.ts';
import { lights } from './lights/expectation.ts';
import { midi } from './midi/expectation.ts';
import { motor, servo } from './motion/expectation.ts';
import { text } from './screen/expectation.ts';
import { tone } from './sound/expectation.ts';
import { line } from './switching/expectation.ts';
import { typist } from './typing/expectation.ts';

/** Of every kind something can be expected: one that is missing here fails to compile. */
const expected: { readonly [K in OutputKind]: Expected<K> } = {
  light,
  text,
  tone,
  servo,
  motor,
  midi,
  typist,
  lights,
  line,
};

/** How what is expected of an output of that kind is told. What is wanted is of that kind by construction. */
export const expectedOf = (kind: OutputKind) =>
  expected[kind] as unknown as {
    fresh(outputId: string): OutputWhat;
    wanted(what: OutputWhat, name: string): string;
    came(value: string | number): string;
  };
