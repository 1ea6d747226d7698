import '@mantine/core/styles/Slider.layer.css';
import '../../../shared/styles/dialog.css';
import '../../../shared/styles/toggle.css';
import { Button, Checkbox, Modal, SegmentedControl, Slider } from '@mantine/core';
import { IconPhotoPlus } from '@tabler/icons-react';
import {
  ditherings,
  importLimits,
  limits,
  type BringWish,
  type Dithering,
  type Frame,
} from '@hum-lever/core';
import { useCallback, useMemo, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { count, ReadingNow, PickFile } from '../../../shared/index.ts';
import { useAnswer, useReading } from '../../../workers/index.ts';
import { usePictureInks } from '../usePictureInks.ts';
import { FramePixels } from './FramePixels.tsx';
import { SizeFields } from './SizeFields.tsx';
import classes from './Pictures.module.css';

const ditheringWords: Record<Dithering, string> = {
  threshold: 'by one threshold',
  pattern: 'in a pattern',
  diffused: 'scattered',
};
/** Where the gadget has no display yet: a common small one. */
const usualPx = { widthPx: 128, heightPx: 64 };

interface Chosen {
  name: string;
  bytes: Uint8Array;
}

/** A picture from a file, at a size and in lit and dark as one wishes. */
export function BringIn({
  keep,
  disabled,
}: {
  keep: (name: string, frames: Frame[]) => string | null;
  disabled: boolean;
}) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const take = async (file: File) => {
    // One that is too large is refused by its size, and not read.
    const head = file.slice(0, importLimits.bytes + 1);
    setChosen({ name: file.name.replace(/\.[^.]*$/, ''), bytes: new Uint8Array(await head.arrayBuffer()) });
  };
  return (
    <>
      <PickFile accept=".png,.pbm,.xbm,image/png" take={(file) => void take(file)}>
        {({ onClick }) => (
          <Button
            size="xs"
            variant="default"
            leftSection={<IconPhotoPlus size={15} />}
            disabled={disabled}
            onClick={onClick}
          >
            Bring one in
          </Button>
        )}
      </PickFile>
      <Modal opened={chosen !== null} onClose={() => setChosen(null)} title="A picture from a file" size="lg">
        {chosen && <Wishes chosen={chosen} keep={keep} done={() => setChosen(null)} />}
      </Modal>
    </>
  );
}

function Wishes({
  chosen,
  keep,
  done,
}: {
  chosen: Chosen;
  keep: (name: string, frames: Frame[]) => string | null;
  done: () => void;
}) {
  const { outputs } = useDocument();
  const screen = outputs.find((output) => output.kind === 'screen');
  const [size, setSize] = useState<BringWish['size']>(null);
  const [dithering, setDithering] = useState<Dithering>('threshold');
  const [threshold, setThreshold] = useState(128);
  const [inverted, setInverted] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const { reading, run, stop } = useReading();
  const most = screen ?? usualPx;
  const { widthPx, heightPx } = most;
  const display = usePictureInks();
  const inks = useMemo(() => display.inks.slice(0, display.count), [display]);
  const manyInks = inks.length > 2;
  const [inInks, setInInks] = useState(manyInks);
  const ask = useCallback(() => {
    const wish: BringWish = {
      size,
      most: { widthPx, heightPx },
      bits: { dithering, threshold, inverted },
      inks: inInks ? inks : null,
    };
    return run((reader) => reader.picture(chosen.bytes, wish));
  }, [chosen, size, widthPx, heightPx, dithering, threshold, inverted, inInks, inks, run]);
  const brought = useAnswer(ask, false);
  if (!brought) return <ReadingNow reading={reading} stop={stop} />;
  if (brought.outcome === 'refused') return <p role="alert">{brought.message}</p>;
  const { from, size: to, frames } = brought;
  const put = () => {
    const why = keep(chosen.name.slice(0, limits.nameChars) || 'Picture', frames);
    setRefused(why);
    if (why === null) done();
  };
  return (
    <div className={classes.bring}>
      <p>
        {from.widthPx} × {from.heightPx} pixels in the file
        {frames.length > 1 && `, ${count(frames.length, 'frame')}`}; here
        <SizeFields
          {...to}
          commit={(width, height) => {
            setSize({ widthPx: width, heightPx: height });
            return null;
          }}
        />
      </p>
      {manyInks && (
        <SegmentedControl
          size="xs"
          aria-label="What it is brought to"
          data={[
            { value: 'inks', label: `the ${inks.length} inks of the display` },
            { value: 'lit', label: 'lit and dark' },
          ]}
          value={inInks ? 'inks' : 'lit'}
          onChange={(value) => setInInks(value === 'inks')}
        />
      )}
      <SegmentedControl
        size="xs"
        aria-label={inInks ? 'How colours become inks' : 'How light becomes lit or dark'}
        data={ditherings.map((value) => ({
          value,
          label: inInks && value === 'threshold' ? 'the nearest' : ditheringWords[value],
        }))}
        value={dithering}
        onChange={(value) => setDithering(value as Dithering)}
      />
      {!inInks && (
        <>
          <label className={classes.threshold}>
            Lit from this light on
            <Slider
              min={1}
              max={255}
              value={threshold}
              onChange={setThreshold}
              thumbLabel="Lit from this light on"
            />
          </label>
          <Checkbox
            size="xs"
            label="Dark becomes lit"
            checked={inverted}
            onChange={({ currentTarget: { checked } }) => setInverted(checked)}
          />
        </>
      )}
      <div className={classes.brought}>
        <FramePixels rows={frames[0]!} label="As it comes in" />
      </div>
      {refused !== null && <p role="alert">{refused}</p>}
      <Button onClick={put}>Keep it as a picture</Button>
    </div>
  );
}
