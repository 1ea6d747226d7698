import { limits, pictureTypes, type FilePicture, type Gadget } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { notFound, Problem } from '../http/problem.ts';
import { PictureRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';

type PictureType = (typeof pictureTypes)[number];

/** What the first bytes say, whatever name or header came along; null: none of the kinds that are taken. */
export function pictureTypeOf(bytes: Buffer): PictureType | null {
  if (bytes.subarray(0, 8).equals(Buffer.from('89504e470d0a1a0a', 'hex'))) return 'image/png';
  if (bytes.subarray(0, 3).equals(Buffer.from('ffd8ff', 'hex'))) return 'image/jpeg';
  const riff = bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP';
  return riff ? 'image/webp' : null;
}

@Injectable()
export class PicturesService {
  constructor(private readonly store: Store) {}

  /** Keeps a picture; one that is there already is not kept twice. */
  add(bytes: Buffer): Promise<{ sha256: string; type: PictureType }> {
    return this.store.write((manager) => this.addIn(manager, bytes));
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

  /** Keeps the drawing that came in a file, if it is the one that the document names. */
  async fromFile(manager: EntityManager, { brief }: Gadget, picture: FilePicture | null): Promise<void> {
    if (picture === null || picture.sha256 !== brief.picture?.sha256) return;
    const { sha256 } = await this.addIn(manager, Buffer.from(picture.base64, 'base64'));
    if (sha256 !== picture.sha256)
      throw new Problem(
        422,
        'invalid',
        'pictureFile: expected the picture that its sum names, got another.',
        {
          errors: [{ path: 'pictureFile', message: 'expected the picture that its sum names' }],
        },
      );
  }

  private async addIn(manager: EntityManager, bytes: Buffer): Promise<{ sha256: string; type: PictureType }> {
    const type = pictureTypeOf(bytes);
    if (type === null)
      throw new Problem(422, 'invalid', 'Expected a picture as PNG, JPEG or WebP, got something else.');
    if (bytes.length > limits.pictureBytes)
      throw new Problem(
        413,
        'too-large',
        `Expected a picture of at most ${limits.pictureBytes / 1_048_576} MB.`,
      );
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    if (!(await manager.existsBy(PictureRow, { sha256 })))
      await manager.insert(PictureRow, { sha256, type, bytes, addedAt: new Date().toISOString() });
    return { sha256, type };
  }
}
