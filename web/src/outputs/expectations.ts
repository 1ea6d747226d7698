import type { OutputKind, OutputWhat } from '@hum-lever/core';
import type { Expected } from './expected.ts';
import { expectations as listed } from './expectations.table.ts';

/** Of every kind something can be expected: one that is missing does not compile. */
const expected: { readonly [K in OutputKind]: Expected<K> } = listed;

/** How what is expected of an output of that kind is told. What is wanted is of that kind by construction. */
export const expectedOf = (kind: OutputKind) =>
  expected[kind] as unknown as {
    fresh(outputId: string): OutputWhat;
    wanted(what: OutputWhat, name: string): string;
    came(value: string | number): string;
  };
