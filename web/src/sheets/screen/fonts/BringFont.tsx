import '../../../shared/styles/dialog.css';
import { Button, Modal, SegmentedControl } from '@mantine/core';
import { IconFileTypography } from '@tabler/icons-react';
import { fontFileLimits, limits, specimen, stockOf, type OwnFont } from '@hum-lever/core';
import { useCallback, useMemo, useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { Pixels } from '../../../outputs/screen/Pixels.tsx';
import { count, ReadingNow, TextField, PickFile } from '../../../shared/index.ts';
import { useAnswer, useReading } from '../../../workers/index.ts';
import { usePictureInks } from '../usePictureInks.ts';
import classes from './Fonts.module.css';

const from = (first: number, last: number) =>
  Array.from({ length: last - first + 1 }, (_, n) => String.fromCodePoint(first + n)).join('');
const ascii = from(0x20, 0x7e);
/** What of a font is wanted. */
const wishes = [
  { value: 'digits', label: 'digits', characters: ' +-.:/%0123456789' },
  { value: 'ascii', label: 'ASCII', characters: ascii },
  { value: 'latin', label: 'Latin-1', characters: ascii + from(0xa1, 0xff) },
  { value: 'all', label: 'all it has', characters: null },
  { value: 'these', label: 'these', characters: null },
] as const;
type Wish = (typeof wishes)[number]['value'];

/** A font from a file, trimmed to the characters that are wanted. */
export function BringFont({ disabled }: { disabled: boolean }) {
  const [text, setText] = useState<string | null>(null);
  const take = async (file: File) => {
    // One that is too large is refused by its size, and not read.
    setText(await file.slice(0, fontFileLimits.bytes + 1).text());
  };
  return (
    <>
      <PickFile accept=".bdf" take={(file) => void take(file)}>
        {({ onClick }) => (
          <Button
            size="xs"
            variant="default"
            leftSection={<IconFileTypography size={15} />}
            disabled={disabled}
            onClick={onClick}
          >
            Bring a font in
          </Button>
        )}
      </PickFile>
      <Modal opened={text !== null} onClose={() => setText(null)} title="A font from a file" size="lg">
        {text !== null && <Wishes text={text} done={() => setText(null)} />}
      </Modal>
    </>
  );
}

function Wishes({ text, done }: { text: string; done: () => void }) {
  const [wish, setWish] = useState<Wish>('ascii');
  const [these, setThese] = useState('0123456789');
  const [refused, setRefused] = useState<string | null>(null);
  const { reading, run, stop } = useReading();
  const characters = wish === 'these' ? these : wishes.find(({ value }) => value === wish)!.characters;
  const ask = useCallback(() => run((reader) => reader.font(text, { characters })), [text, characters, run]);
  const answer = useAnswer(ask, false);
  const keep = (font: Omit<OwnFont, 'id'>) => {
    const why = edit({ name: 'addFont', args: [font] });
    setRefused(why);
    if (why === null) done();
  };
  return (
    <div className={classes.bring}>
      <SegmentedControl
        size="xs"
        aria-label="Characters that are wanted"
        data={wishes.map(({ value, label }) => ({ value, label }))}
        value={wish}
        onChange={(value) => setWish(value as Wish)}
      />
      {wish === 'these' && (
        <TextField
          size="xs"
          aria-label="These characters"
          value={these}
          commit={(typed) => {
            setThese(typed);
            return null;
          }}
        />
      )}
      {!answer && <ReadingNow reading={reading} stop={stop} />}
      {answer && 'refused' in answer && (
        <p role="alert">
          {answer.refused.charAt(0).toUpperCase()}
          {answer.refused.slice(1)}.
        </p>
      )}
      {answer && !('refused' in answer) && (
        <>
          <p>
            {count(answer.inFile, 'character')} in the file, {answer.font.glyphs.length} of them wanted,{' '}
            {answer.font.widthPx} × {answer.font.heightPx} pixels each.
            {!answer.ofOneWidth &&
              ' They are of several widths: here each has a cell as wide as the widest of them.'}
            {answer.lacking.length > 0 && ` It lacks ${answer.lacking.slice(0, 40).join(' ')}.`}
            {answer.leftOut > 0 &&
              ` ${count(answer.leftOut, 'character')} more are left out: there is room for ${limits.fontGlyphs}.`}
          </p>
          <Sample font={answer.font} />
          {refused !== null && <p role="alert">{refused}</p>}
          <Button onClick={() => keep(answer.font)}>Keep it as a font</Button>
        </>
      )}
    </div>
  );
}

const shownAtMost = 24;

function Sample({ font }: { font: Omit<OwnFont, 'id'> }) {
  const { pictures } = useDocument();
  const bitmap = useMemo(() => {
    const own = stockOf({ pictures, fonts: [{ ...font, id: 'z0' }] }).font('z0');
    const letters = font.glyphs.filter(({ character }) => /[\p{L}\p{N}]/u.test(character));
    const some = (letters.length > 0 ? letters : font.glyphs).slice(-shownAtMost);
    return specimen(own, some.map(({ character }) => character).join(''));
  }, [font, pictures]);
  const paint = useCallback(() => bitmap, [bitmap]);
  const { inks } = usePictureInks();
  return (
    <div className={classes.specimen} style={{ width: bitmap.widthPx * 2 }}>
      <Pixels
        widthPx={bitmap.widthPx}
        heightPx={bitmap.heightPx}
        bitmap={paint}
        inks={inks}
        label="As it comes in"
      />
    </div>
  );
}
