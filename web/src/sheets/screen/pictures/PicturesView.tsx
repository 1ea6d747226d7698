import { ActionIcon, Button, Menu } from '@mantine/core';
import { IconDots, IconPlus } from '@tabler/icons-react';
import {
  blankFrame,
  limits,
  nextId,
  rasterBytes,
  rasterOf,
  resizedFrame,
  usesOf,
  type Frame,
  type Gadget,
  type Picture,
} from '@hum-lever/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { edit, useDocument } from '../../../client/index.ts';
import { count, FirstStep, showBytes, TextField, useFound, usePlace } from '../../../shared/index.ts';
import { BringIn } from './BringIn.tsx';
import { FramePixels } from './FramePixels.tsx';
import { Frames } from './Frames.tsx';
import { PixelBoard } from './PixelBoard.tsx';
import { Saving } from './Saving.tsx';
import { SizeFields } from './SizeFields.tsx';
import classes from './Pictures.module.css';

/** As a first picture is: a sign that lies between texts of two rows. */
const freshPx = 16;

const nameFor = ({ pictures }: Gadget): string => `Picture ${pictures.length + 1}`;

/** What is drawn pixel by pixel, and shown on pages. */
export function PicturesView() {
  const gadget = useDocument();
  const { pictures } = gadget;
  const [params, setParams] = useSearchParams();
  const found = useFound(({ place }) => (place?.kind === 'picture' ? place.id : null));
  const picture =
    pictures.find(({ id }) => id === found) ??
    pictures.find(({ id }) => id === params.get('picture')) ??
    pictures[0];
  const choose = (id: string) => setParams({ view: 'pictures', picture: id }, { replace: true });
  const [refused, setRefused] = useState<string | null>(null);
  /** Why it was refused; null: it is there, and chosen. */
  const keep = (name: string, frames: Frame[]): string | null => {
    const id = nextId(gadget, 'picture');
    const why = edit({ name: 'addPicture', args: [name, frames] });
    if (why === null) choose(id);
    return why;
  };
  const add = () => setRefused(keep(nameFor(gadget), [blankFrame(freshPx, freshPx)]));
  const full = pictures.length >= limits.pictures;
  const begin = (
    <Button size="xs" leftSection={<IconPlus size={15} />} onClick={add} disabled={full}>
      Begin a picture
    </Button>
  );
  const bring = <BringIn keep={keep} disabled={full} />;
  if (!picture)
    return (
      <FirstStep
        action={
          <span className={classes.first}>
            {begin} {bring}
          </span>
        }
      >
        A picture is drawn here pixel by pixel, or brought in from a PNG, PBM or XBM file: a sign, a figure,
        and with several frames something that moves. Pages show its frames by a number of their own.
        {refused !== null && <strong role="alert"> {refused}</strong>}
      </FirstStep>
    );
  return (
    <div className={classes.place}>
      <div>
        <ol className={classes.list} aria-label="Pictures">
          {pictures.map((one) => (
            <Item
              key={one.id}
              picture={one}
              chosen={one.id === picture.id}
              choose={() => choose(one.id)}
              copy={() => setRefused(keep(`${one.name.slice(0, limits.nameChars - 2)} 2`, one.frames))}
            />
          ))}
        </ol>
        <div className={classes.more}>
          {begin}
          {bring}
        </div>
        {refused !== null && <p role="alert">{refused}</p>}
      </div>
      <OnePicture key={picture.id} picture={picture} />
    </div>
  );
}

function Item({
  picture,
  chosen,
  choose,
  copy,
}: {
  picture: Picture;
  chosen: boolean;
  choose: () => void;
  copy: () => void;
}) {
  const { id, className } = usePlace(picture.id);
  return (
    <li id={id} className={className} data-chosen={chosen || undefined}>
      <button
        type="button"
        className={classes.thumb}
        aria-label={`Picture ${picture.name}`}
        aria-pressed={chosen}
        onClick={choose}
      >
        <FramePixels rows={picture.frames[0]!} />
      </button>
      <TextField
        size="xs"
        variant="unstyled"
        aria-label={`Name of picture ${picture.name}`}
        value={picture.name}
        commit={(name) => edit({ name: 'renamePicture', args: [picture.id, name] })}
      />
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon size="sm" variant="subtle" aria-label={`More for picture ${picture.name}`}>
            <IconDots size={16} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={copy}>Another like it</Menu.Item>
          <Menu.Item onClick={() => edit({ name: 'removePicture', args: [picture.id] })}>
            Remove, with what shows it on pages
          </Menu.Item>
        </Menu.Dropdown>
      </Menu>
    </li>
  );
}

function OnePicture({ picture }: { picture: Picture }) {
  const gadget = useDocument();
  const [asked, setFrame] = useState(0);
  // A frame that was taken out, here or by undo, is no longer chosen.
  const frame = Math.min(asked, picture.frames.length - 1);
  const raster = rasterOf(picture);
  const { widthPx, heightPx } = raster;
  /** Of all frames; what is cut off comes back by undo only. */
  const resize = (width: number, height: number) =>
    edit({
      name: 'replaceFrames',
      args: [picture.id, picture.frames.map((rows) => resizedFrame(rows, width, height))],
    });
  const pages = usesOf(gadget, picture.id).flatMap(
    (place) => gadget.pages.find(({ id }) => id === place.id)?.name ?? [],
  );
  return (
    <div className={classes.work}>
      <div className={classes.says}>
        <SizeFields widthPx={widthPx} heightPx={heightPx} commit={resize} />
        <span>
          pixels, {picture.frames.length > 1 && `${count(picture.frames.length, 'frame')}, `}
          <span className="number">{showBytes(rasterBytes(raster))}</span> in the chip;{' '}
          {pages.length === 0
            ? 'no page shows it yet: draw it on one, under Pages.'
            : `shown on ${[...new Set(pages)].join(', ')}.`}
        </span>
      </div>
      <PixelBoard picture={picture} frame={frame} />
      <Frames picture={picture} frame={frame} choose={setFrame} />
      <Saving picture={picture} frame={frame} />
    </div>
  );
}
