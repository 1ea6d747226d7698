import { Button, Menu } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import {
  bitmapPbm,
  bitmapPng,
  bitmapXbm,
  cNames,
  rasterBits,
  rasterC,
  rasterOf,
  type Packing,
  type Picture,
} from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { saveFile } from '../../../shared/index.ts';
import { usePictureInks } from '../usePictureInks.ts';
import classes from './Pictures.module.css';

/** The picture as files: one frame as others read it, all of them as tables in C. */
export function Saving({ picture, frame }: { picture: Picture; frame: number }) {
  const { pictures } = useDocument();
  const raster = rasterOf(picture);
  const bitmap = raster.frames[frame]!;
  // Names are given in the order of the gadget, so that files of several pictures go together.
  const name = () => {
    const give = cNames();
    const given = pictures.map(({ name: called }) => give(called));
    return given[pictures.indexOf(picture)]!;
  };
  const file = (ending: string) =>
    `${picture.name}${raster.frames.length > 1 ? ` ${frame + 1}` : ''}.${ending}`;
  const inked = rasterBits(raster) > 1;
  const { inks } = usePictureInks();
  const savePng = () =>
    saveFile(file('png'), 'image/png', Uint8Array.from(bitmapPng(bitmap, inked ? inks : undefined)));
  const saveC = (packing: Packing) =>
    saveFile(`${name()}.h`, 'text/x-c', rasterC(raster, name(), picture.name, packing));
  return (
    <div className={classes.options}>
      <Menu position="top-start">
        <Menu.Target>
          <Button size="compact-xs" variant="default" rightSection={<IconChevronDown size={13} />}>
            Save as a file
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={savePng}>This frame as PNG</Menu.Item>
          <Menu.Item onClick={() => saveFile(file('pbm'), 'image/x-portable-bitmap', bitmapPbm(bitmap))}>
            This frame as PBM
          </Menu.Item>
          <Menu.Item onClick={() => saveFile(file('xbm'), 'image/x-xbitmap', bitmapXbm(bitmap, name()))}>
            This frame as XBM
          </Menu.Item>
          <Menu.Item onClick={() => saveC('rows')}>All frames as a C table, row by row</Menu.Item>
          {!inked && (
            <Menu.Item onClick={() => saveC('columns')}>
              All frames as a C table, in columns of eight
            </Menu.Item>
          )}
        </Menu.Dropdown>
      </Menu>
    </div>
  );
}
