import { convertIndexedToRgb, decode, encode } from 'fast-png';
import { Unzlib } from 'fflate';
import type { Bitmap } from './bitmap.ts';
import { checkedSize, PictureFileError, type GreyImage } from './image.ts';

const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
export const isPng = (bytes: Uint8Array): boolean => signature.every((byte, n) => bytes[n] === byte);

interface Chunk {
  type: string;
  /** With its length, type and check. */
  whole: Uint8Array;
  data: Uint8Array;
}

/** Channels by colour type. */
const channelsOf: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };

function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const chunks: Chunk[] = [];
  for (let at = signature.length; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    if (length > bytes.length - at - 12)
      throw new PictureFileError('expected a whole PNG file, and it ends in the middle');
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    chunks.push({
      type,
      whole: bytes.subarray(at, at + 12 + length),
      data: bytes.subarray(at + 8, at + 8 + length),
    });
    if (type === 'IEND') return chunks;
    at += 12 + length;
  }
  throw new PictureFileError('expected a whole PNG file, and its end is missing');
}

/** Only what pixels are made of: profiles and texts may be packed so that they unpack without end. */
const needed = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND']);

/** Unpacks once without keeping anything: more than the pixels need would fill the memory. */
function checkUnpacked(chunks: readonly Chunk[], mostBytes: number): void {
  let unpacked = 0;
  const inflater = new Unzlib((piece) => {
    unpacked += piece.length;
    if (unpacked > mostBytes)
      throw new PictureFileError(`expected at most ${mostBytes} bytes of pixels, and more came`);
  });
  const parts = chunks.filter(({ type }) => type === 'IDAT');
  // In small pieces, so that it stops soon after the bound: a byte unpacks to a thousand at most.
  const stepBytes = 4_096;
  parts.forEach(({ data }, n) => {
    for (let at = 0; at < data.length || at === 0; at += stepBytes)
      inflater.push(
        data.subarray(at, at + stepBytes),
        n === parts.length - 1 && at + stepBytes >= data.length,
      );
  });
}

/**
 * How light each pixel is, by what the eye makes of red, green and blue (0.299, 0.587, 0.114; source: ITU-R BT.601);
 * what is not opaque lies on dark.
 * @throws PictureFileError
 */
export function readPng(bytes: Uint8Array): GreyImage {
  const chunks = chunksOf(bytes);
  const head = chunks[0];
  if (head?.type !== 'IHDR' || head.data.length !== 13)
    throw new PictureFileError('expected a PNG file that begins with its size');
  const view = new DataView(head.data.buffer, head.data.byteOffset, 13);
  const [widthPx, heightPx] = [view.getUint32(0), view.getUint32(4)];
  checkedSize(widthPx, heightPx);
  const bits = view.getUint8(8) * (channelsOf[view.getUint8(9)] ?? 0);
  // A row has a byte in front; interlaced, seven smaller pictures have up to two rows' ends more each.
  const mostBytes = heightPx * (Math.ceil((widthPx * bits) / 8) + 1) + 16 * (widthPx + heightPx + 8);
  const kept = chunks.filter(({ type }) => needed.has(type));
  try {
    checkUnpacked(kept, mostBytes);
    return lightOf(decode(joined(kept), { checkCrc: true }));
  } catch (error) {
    if (error instanceof PictureFileError) throw error;
    throw new PictureFileError(
      `expected a PNG file that can be read: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}

function joined(chunks: readonly Chunk[]): Uint8Array {
  const whole = new Uint8Array(signature.length + chunks.reduce((sum, chunk) => sum + chunk.whole.length, 0));
  whole.set(signature);
  let at = signature.length;
  for (const chunk of chunks) {
    whole.set(chunk.whole, at);
    at += chunk.whole.length;
  }
  return whole;
}

function lightOf(png: ReturnType<typeof decode>): GreyImage {
  const { width: widthPx, height: heightPx, palette, depth } = png;
  const light = new Uint8Array(widthPx * heightPx);
  const data = palette ? convertIndexedToRgb(png) : png.data;
  const channels = palette ? palette[0]!.length : png.channels;
  // Several pixels share a byte in grey pictures of less than eight bits; each row begins with a byte of its own.
  const packed = !palette && depth < 8;
  const stride = Math.ceil((widthPx * depth) / 8);
  const most = palette ? 255 : 2 ** depth - 1;
  const at = (pixel: number, channel: number): number => {
    if (!packed) return data[pixel * channels + channel]!;
    const [x, y] = [pixel % widthPx, Math.floor(pixel / widthPx)];
    const byte = data[y * stride + Math.floor((x * depth) / 8)]!;
    return (byte >> (8 - depth - ((x * depth) % 8))) & most;
  };
  const coloured = channels >= 3;
  const seeThrough = channels === 2 || channels === 4;
  const empty = () => new Uint8Array(light.length);
  const colours = coloured ? ([empty(), empty(), empty()] as const) : undefined;
  for (let pixel = 0; pixel < light.length; pixel += 1) {
    const opaque = seeThrough ? at(pixel, channels - 1) / most : 1;
    const seen = (value: number) => Math.round((255 * value * opaque) / most);
    colours?.forEach((one, channel) => (one[pixel] = seen(at(pixel, channel))));
    light[pixel] = seen(
      coloured ? (299 * at(pixel, 0) + 587 * at(pixel, 1) + 114 * at(pixel, 2)) / 1_000 : at(pixel, 0),
    );
  }
  return { widthPx, heightPx, light, ...(colours && { colours }) };
}

/**
 * Eight bits of grey, lit is white; or where inks are given, eight bits of red, green and blue each.
 * @param inks by their number; one that is beyond the last is the last
 */
export function bitmapPng(
  { widthPx, heightPx, pixels }: Bitmap,
  inks?: readonly (readonly [number, number, number])[],
): Uint8Array {
  const size = { width: widthPx, height: heightPx, depth: 8 } as const;
  if (!inks) return encode({ ...size, channels: 1, data: pixels.map((ink) => (ink ? 255 : 0)) });
  const data = new Uint8Array(pixels.length * 3);
  pixels.forEach((ink, at) => data.set(inks[Math.min(ink, inks.length - 1)]!, at * 3));
  return encode({ ...size, channels: 3, data });
}
