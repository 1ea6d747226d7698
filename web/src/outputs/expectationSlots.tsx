import type { OutputKind, OutputWhat } from '@hum-lever/core';
import type { ReactNode } from 'react';
import type { ExpectationSlots } from './expected.ts';
import { expectationSlots as listed } from './expectationSlots.table.ts';

/** One that is missing does not compile. */
const slots: { readonly [K in OutputKind]: ExpectationSlots<K> } = listed;

/** What is expected of an output, behind its name. */
export function OutputExpected(props: { what: OutputWhat; put: (what: OutputWhat) => null }) {
  const Slots = slots[props.what.kind] as (own: typeof props) => ReactNode;
  return <Slots {...props} />;
}
