import { limits, pictureTypes, type FilePicture, type Gadget } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { notFound, Problem } from '../http/problem.ts';
import { PictureRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';

type PictureType = (typeof pictureTypes)[number];

/** 40 million: twice what a telephone takes. Beyond it a small file could unpack to gigabytes. */
const mostPixels = 40_000_000;
const types: Readonly<Record<string, PictureType>> = {
  png: 'image/png',
  jpeg: 'image/jpeg',
  webp: 'image/webp',
};

/**
 * What a picture is, from reading it to its last row, whatever name or header came along.
 * @throws Problem 422 for what is none of the kinds that are taken, is broken, or is larger than any drawing
 */
export async function pictureTypeOf(bytes: Buffer): Promise<PictureType> {
  // What is empty is refused by a throw, not by an answer.
  if (bytes.length === 0) throw new Problem(422, 'invalid', 'Expected a picture, got nothing.');
  // Loaded with the first picture: most servers never see one.
  const { default: sharp } = await import('sharp');
  const picture = sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' });
  const { format } = await picture.metadata().catch(() => ({ format: undefined }));
  const type = types[format ?? ''];
  if (type === undefined)
    throw new Problem(422, 'invalid', 'Expected a picture as PNG, JPEG or WebP, got something else.');
  try {
    await picture.stats();
    return type;
  } catch (error) {
    const why = (error as Error).message.split('\n')[0];
    throw new Problem(
      422,
      'invalid',
      `Expected a whole picture; this one cannot be read to its end: ${why}.`,
    );
  }
}

/** A picture that was read. */
export interface Looked {
  sha256: string;
  type: PictureType;
  bytes: Buffer;
}

@Injectable()
export class PicturesService {
  constructor(private readonly store: Store) {}

  /** Keeps a picture; one that is there already is not kept twice. */
  async add(bytes: Buffer): Promise<{ sha256: string; type: PictureType }> {
    const looked = await this.look(bytes);
    await this.store.write((manager) => this.keep(manager, looked));
    return { sha256: looked.sha256, type: looked.type };
  }

  async get(sha256: string): Promise<PictureRow> {
    const row = await this.store.read((manager) => manager.findOneBy(PictureRow, { sha256 }));
    if (!row) throw notFound('such picture');
    return row;
  }

  /** The drawing of a gadget as it travels in its file; null: it has none, or it is lost. */
  async forFile({ brief }: Gadget): Promise<FilePicture | null> {
    if (brief.picture === null) return null;
    const { sha256 } = brief.picture;
    const row = await this.store.read((manager) => manager.findOneBy(PictureRow, { sha256 }));
    return row && { sha256, base64: Buffer.from(row.bytes).toString('base64') };
  }

  /** The drawing that came in a file, looked at, if it is the one that the document names. */
  async fromFile({ brief }: Gadget, picture: FilePicture | null): Promise<Looked | null> {
    if (picture === null || picture.sha256 !== brief.picture?.sha256) return null;
    const looked = await this.look(Buffer.from(picture.base64, 'base64'));
    if (looked.sha256 !== picture.sha256)
      throw new Problem(
        422,
        'invalid',
        'pictureFile: expected the picture that its sum names, got another.',
        {
          errors: [{ path: 'pictureFile', message: 'expected the picture that its sum names' }],
        },
      );
    return looked;
  }

  /** Before anything is written: reading a picture takes a while. */
  private async look(bytes: Buffer): Promise<Looked> {
    if (bytes.length > limits.pictureBytes)
      throw new Problem(
        413,
        'too-large',
        `Expected a picture of at most ${limits.pictureBytes / 1_048_576} MB.`,
      );
    const type = await pictureTypeOf(bytes);
    return { type, bytes, sha256: createHash('sha256').update(bytes).digest('hex') };
  }

  async keep(manager: EntityManager, { sha256, type, bytes }: Looked): Promise<void> {
    if (!(await manager.existsBy(PictureRow, { sha256 })))
      await manager.insert(PictureRow, { sha256, type, bytes, addedAt: new Date().toISOString() });
  }
}
