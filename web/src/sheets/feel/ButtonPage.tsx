import { SegmentedControl } from '@mantine/core';
import type { Button } from '@hum-lever/core';
import { useState } from 'react';
import classes from './Feel.module.css';
import { PressPage } from './PressPage.tsx';
import { CaptureView } from './views/CaptureView.tsx';
import { CodeView } from './views/CodeView.tsx';
import { LabView } from './views/LabView.tsx';
import { MeaningView } from './views/MeaningView.tsx';

const views = {
  press: { label: 'One press', view: PressPage },
  lab: { label: 'Thousands', view: LabView },
  meaning: { label: 'Meaning', view: MeaningView },
  capture: { label: 'Captures', view: CaptureView },
  code: { label: 'Code', view: CodeView },
} as const;
type ViewId = keyof typeof views;

/** A button, looked at in one of several ways. */
export function ButtonPage({ control }: { control: Button }) {
  const [viewId, setView] = useState<ViewId>('press');
  const { view: View } = views[viewId];
  return (
    <>
      <SegmentedControl
        className={classes.views}
        size="xs"
        aria-label="How to look at it"
        data={Object.entries(views).map(([value, { label }]) => ({ value, label }))}
        value={viewId}
        onChange={(value) => setView(value as ViewId)}
      />
      <View control={control} />
    </>
  );
}
