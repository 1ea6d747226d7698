import { SegmentedControl } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useDocument } from '../../client/index.ts';
import { FirstStep, SheetFrame, useFound, usePlace } from '../../shared/index.ts';
import { PressPage } from './PressPage.tsx';
import { Settings } from './Settings.tsx';

const about = 'Press once, and see what became of it: from bare contact to meaning.';

/** The control being felt: chosen here, or the one that a snag led to. */
function useChosen() {
  const { controls } = useDocument();
  const [chosenId, choose] = useState<string | null>(null);
  const found = useFound(({ place }) => place?.id);
  useEffect(() => {
    if (found && controls.some(({ id }) => id === found)) choose(found);
  }, [found, controls]);
  return { controls, control: controls.find(({ id }) => id === chosenId) ?? controls[0], choose };
}

export function FeelPage() {
  const { controls, control, choose } = useChosen();
  const place = usePlace(control?.id ?? 'nothing');
  if (!control)
    return (
      <SheetFrame title="Feel" about={about}>
        <FirstStep action={<Link to="../parts">Go to Parts</Link>}>
          There is nothing to press yet: add a button in Parts.
        </FirstStep>
      </SheetFrame>
    );
  return (
    <SheetFrame title="Feel" about={about}>
      {controls.length > 1 && (
        <SegmentedControl
          mb="md"
          aria-label="Control"
          data={controls.map(({ id, name }) => ({ value: id, label: name }))}
          value={control.id}
          onChange={choose}
          style={{ maxWidth: '100%', overflowX: 'auto' }}
        />
      )}
      <PressPage key={control.id} control={control}>
        <div {...place}>
          <Settings control={control} />
        </div>
      </PressPage>
    </SheetFrame>
  );
}
