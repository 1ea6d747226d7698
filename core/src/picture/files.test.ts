import { decode } from 'fast-png';
import { zlibSync } from 'fflate';
import * as fc from 'fast-check';
import {
  bitmapFrame,
  bitmapPbm,
  bitmapPng,
  bitmapXbm,
  bitsOf,
  blankFrame,
  frameBitmap,
  importLimits,
  packedBytes,
  PictureFileError,
  rasterBytes,
  rasterC,
  rasterOf,
  readPicture,
  type GreyImage,
} from './index.ts';

/* Made by other tools: an imaging library of another language (PNG, PBM, XBM), the interlaced one by hand in it. */
const made = {
  bits: 'iVBORw0KGgoAAAANSUhEUgAAAAoAAAADAQAAAACCRqPYAAAAEUlEQVR4nGOcpcbgz8Dw0AEACXkCMpZGjJoAAAAASUVORK5CYII=',
  rgb: 'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAFklEQVR4nGP4z8DA8J+BkYHh////DAAe9gT9Ce00PgAAAABJRU5ErkJggg==',
  rgba: 'iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAYAAAD0In+KAAAAEUlEQVR4nGP4//9/A8N/hv8AG3AFfGbha0sAAAAASUVORK5CYII=',
  palette: 'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACAgMAAAAP2OW3AAAADFBMVEX///8A/wD/AAAAAP8XAUDqAAAADElEQVR4nGOYwGQAAAHoAMPoFXd1AAAAAElFTkSuQmCC',
  grey16: 'iVBORw0KGgoAAAANSUhEUgAAAAMAAAABEAAAAABuG5crAAAAD0lEQVR4nGNgYGho+P8fAAaEAv9GYN62AAAAAElFTkSuQmCC',
  greyAlpha: 'iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAQAAABeK7cBAAAADUlEQVR4nGM88Z+BEQAGKAHKkHWvlgAAAABJRU5ErkJggg==',
  interlaced: 'iVBORw0KGgoAAAANSUhEUgAAAAUAAAADCAAAAAEJWqqyAAAAHklEQVR4nGNgYNBgEGFIqfjPwCXHkNfEYGTjFhAFACoPBI6/JEujAAAAAElFTkSuQmCC',
  pbm: 'UDQKMTAgMwqawE8A4UA=',
}; // prettier-ignore
const xbm =
  '#define im_width 10\n#define im_height 3\nstatic char im_bits[] = {\n0x59,0x03,0xf2,0x00,0x87,0x02\n};\n';
const drawing = ['#..##.#.##', '.#..####..', '###....#.#'];

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(Buffer.from(base64, 'base64'));
const letters = (text: string): Uint8Array => new TextEncoder().encode(text);
const artOf = (image: GreyImage): string[] =>
  bitmapFrame(bitsOf(image, { dithering: 'threshold', threshold: 128, inverted: false }));
const single = (bytes: Uint8Array): GreyImage => {
  const images = readPicture(bytes);
  expect(images).toHaveLength(1);
  return images[0]!;
};
const refused = (bytes: Uint8Array): string => {
  try {
    readPicture(bytes);
  } catch (error) {
    expect(error).toBeInstanceOf(PictureFileError);
    return (error as Error).message;
  }
  throw new Error('it was read');
};

describe('files made by other tools', () => {
  it('are the drawing that they were made from', () => {
    expect(artOf(single(bytesOf(made.bits)))).toEqual(drawing);
    expect(artOf(single(bytesOf(made.pbm)))).toEqual(drawing);
    expect(artOf(single(letters(xbm)))).toEqual(drawing);
  });

  it('are as light as the eye makes of their colours, and dark where nothing is', () => {
    const colours = [76, 150, 29, 255];
    expect([...single(bytesOf(made.rgb)).light]).toEqual(colours);
    expect([...single(bytesOf(made.palette)).light]).toEqual(colours);
    expect([...single(bytesOf(made.rgba)).light]).toEqual([128, 150]);
    expect([...single(bytesOf(made.greyAlpha)).light]).toEqual([200, 0]);
    expect([...single(bytesOf(made.grey16)).light]).toEqual([0, 128, 255]);
    expect([...single(bytesOf(made.interlaced)).light]).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 255]); // prettier-ignore
  });

  it('may hold several pictures, remarks, letters close together, and pairs of bytes', () => {
    const two = readPicture(letters('P1 # a spark\n3 2\n101\n010\nP1\n1 1\n0'));
    expect(two.map(artOf)).toEqual([['#.#', '.#.'], ['.']]);
    const pairs =
      '#define w_width 9\n#define w_height 2\nstatic unsigned short w_bits[] = { 0x0101, 0x0080 };';
    expect(artOf(single(letters(pairs)))).toEqual(['#.......#', '.......#.']);
  });
});

describe('what is written', () => {
  it('comes back from every format', () => {
    const size = fc.integer({ min: 1, max: 20 });
    const any = fc.tuple(size, size).chain(([width, height]) =>
      fc.array(fc.string({ unit: fc.constantFrom('#', '.'), minLength: width, maxLength: width }), {
        minLength: height,
        maxLength: height,
      }),
    );
    fc.assert(
      fc.property(any, (frame) => {
        const bitmap = frameBitmap(frame);
        expect(artOf(single(letters(bitmapPbm(bitmap))))).toEqual(frame);
        expect(artOf(single(letters(bitmapXbm(bitmap, 'spark'))))).toEqual(frame);
        expect(artOf(single(bitmapPng(bitmap)))).toEqual(frame);
      }),
    );
  });

  it('lies in bytes as the table says, by hand', () => {
    const bitmap = frameBitmap(['#.......#', '.#.......']);
    expect(packedBytes(bitmap, 'rows')).toEqual([0x80, 0x80, 0x40, 0x00]);
    expect(packedBytes(bitmap, 'columns')).toEqual([1, 2, 0, 0, 0, 0, 0, 0, 1]);
  });

  it('keeps its inks in C, two pixels a byte, and in PNG, as colours', () => {
    const raster = rasterOf({ id: 'f1', name: 'Spark', frames: [['#.2', 'f3.']] });
    expect(rasterBytes(raster)).toBe(4);
    const c = rasterC(raster, 'spark', 'Spark', 'columns');
    expect(c).toContain('static const uint8_t spark[1][4] = {\n  {\n    0x10, 0x20, 0xf3, 0x00\n  }\n};');
    expect(c).toContain('a half byte each is an ink');
    const inks = [[0, 0, 0], [255, 255, 255], [255, 0, 0], [0, 0, 255]] as const; // prettier-ignore
    const png = decode(bitmapPng(raster.frames[0]!, inks));
    expect([png.width, png.height, png.channels]).toEqual([3, 2, 3]);
    // Beyond the last it is the last.
    expect([...png.data]).toEqual([255, 255, 255, 0, 0, 0, 255, 0, 0, 0, 0, 255, 0, 0, 255, 0, 0, 0]);
  });

  it('is C that ends its remark where it should', () => {
    const raster = rasterOf({ id: 'f1', name: 'Spark', frames: [['#'], ['.']] });
    expect(rasterC(raster, 'spark', 'A */ b\n#error', 'rows')).toBe(
      [
        '/* A * / b #error: 1 x 1 pixels, 1 is lit, rows from the top; in a byte the highest bit is the leftmost pixel. */',
        '#include <stdint.h>',
        '',
        '#define SPARK_WIDTH 1',
        '#define SPARK_HEIGHT 1',
        '#define SPARK_FRAMES 2',
        '',
        'static const uint8_t spark[2][1] = {',
        '  {',
        '    0x80',
        '  },',
        '  {',
        '    0x00',
        '  }',
        '};',
        '',
      ].join('\n'),
    );
  });
});

describe('files that are broken', () => {
  const chunk = (type: string, data: Uint8Array): Uint8Array => {
    const whole = new Uint8Array(12 + data.length);
    new DataView(whole.buffer).setUint32(0, data.length);
    whole.set(letters(type), 4);
    whole.set(data, 8);
    return whole;
  };
  const png = (width: number, height: number, ...more: Uint8Array[]): Uint8Array => {
    const head = new Uint8Array(13);
    const view = new DataView(head.buffer);
    view.setUint32(0, width);
    view.setUint32(4, height);
    head.set([8, 0, 0, 0, 0], 8);
    return Uint8Array.from([
      ...[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
      ...[chunk('IHDR', head), ...more, chunk('IEND', new Uint8Array())].flatMap((one) => [...one]),
    ]);
  };

  it('say what was expected', () => {
    expect(refused(letters('GIF89a'))).toBe('expected a picture as PNG, PBM or XBM');
    expect(refused(letters('P1\n3 2\n10'))).toBe('expected pixel 3 of 6 as 0 or 1, got the end of the file');
    expect(refused(letters('P1\n3 2\n10x'))).toBe('expected pixel 3 of 6 as 0 or 1, got "x"');
    expect(refused(letters('P4\n9 2\n\u0001'))).toBe('expected 4 bytes of pixels, and the file ends after 1 of them');
    expect(refused(letters('P1\n0 2\n'))).toBe('expected a width and a height of at least one pixel, got 0 × 2');
    expect(refused(letters(`P1\n${'9'.repeat(40)} 2\n`))).toContain('expected at most 8192 pixels a side');
    expect(refused(letters('P1\nwide'))).toBe('expected the width as a number, at byte 3');
    expect(refused(letters(xbm.replace('0x87,0x02', '')))).toBe('expected 6 numbers for 10 × 3 pixels, got 4 of them');
    expect(refused(letters('#define a_width 3\n'))).toBe('expected a line "#define …_height " with a number');
    expect(refused(bytesOf(made.rgb).subarray(0, 60))).toContain('expected a whole PNG file');
    expect(refused(Uint8Array.from(bytesOf(made.rgb), (byte, n) => (n === 50 ? byte ^ 1 : byte)))).toContain('expected a PNG file that can be read');
    expect(refused(new Uint8Array(importLimits.bytes + 1))).toContain('expected a file of at most');
  }); // prettier-ignore

  it('are stopped where they are enormous, or unpack without end', () => {
    expect(refused(png(60_000, 60_000))).toContain('expected at most 8192 pixels a side');
    const bomb = png(8, 8, chunk('IDAT', zlibSync(new Uint8Array(1 << 24))));
    expect(bomb.length).toBeLessThan(20_000);
    expect(refused(bomb)).toContain('bytes of pixels, and more came');
    // What pixels do not need is not unpacked at all.
    const profile = chunk('iCCP', Uint8Array.from([65, 0, 0, ...zlibSync(new Uint8Array(1 << 20))]));
    expect(refused(png(8, 8, profile))).toContain('expected a PNG file that can be read');
  });

  it('never throw anything else, whatever comes', () => {
    const starts = [bytesOf(made.bits), bytesOf(made.palette), bytesOf(made.interlaced), bytesOf(made.pbm), letters(xbm)];
    fc.assert(
      fc.property(fc.constantFrom(...starts), fc.array(fc.tuple(fc.nat(160), fc.nat(255)), { maxLength: 6 }), (start, changes) => {
        const bytes = Uint8Array.from(start);
        for (const [at, byte] of changes) if (at < bytes.length) bytes[at] = byte;
        try {
          for (const { widthPx, heightPx, light } of readPicture(bytes)) expect(light).toHaveLength(widthPx * heightPx);
        } catch (error) {
          expect(error).toBeInstanceOf(PictureFileError);
        }
      }),
    );
    expect(blankFrame(2, 1)).toEqual(['..']);
  }); // prettier-ignore
});
