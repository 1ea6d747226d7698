import { rowsOn, type Drawn, type Screen, type TextDisplay } from '@hum-lever/core';
import { useMemo } from 'react';
import { Cells } from './Cells.tsx';
import { Glass } from './Glass.tsx';

/** What stands on a display, in pixels or in characters, as large as its place has it. */
export function OnDisplay({ display, drawn }: { display: Screen | TextDisplay; drawn: Drawn }) {
  return display.kind === 'screen' ? (
    <Glass screen={display} drawn={drawn} />
  ) : (
    <InCells display={display} drawn={drawn} />
  );
}

function InCells({ display, drawn }: { display: TextDisplay; drawn: Drawn }) {
  const rows = useMemo(() => rowsOn(display, drawn), [display, drawn]);
  return <Cells display={display} rows={rows} />;
}
