import { gadgetSchema, nameSchema, printGadgetFile } from '@hum-lever/core';
import {
  Body,
  Controller,
  Delete,
  Get,
  Headers,
  HttpCode,
  Param,
  Patch,
  Post,
  Put,
  Query,
  Res,
} from '@nestjs/common';
import { ApiBody, ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import * as z from 'zod';
import { apiSchema } from '../http/apiSchema.ts';
import { baseOf, notFound, parseOr422, saveIdOf } from '../http/problem.ts';
import { PicturesService } from '../pictures/pictures.service.ts';
import { CardsService } from '../cards/cards.service.ts';
import { GadgetsService } from './gadgets.service.ts';

const createSchema = z.union([
  z.strictObject({ name: nameSchema }),
  z.strictObject({ document: z.unknown() }),
]);
const renameSchema = z.strictObject({ name: nameSchema });
const nameRevisionSchema = z.strictObject({ name: nameSchema.nullable() });

/** A revision number in a path. */
export function numberOf(text: string): number {
  if (!/^[1-9]\d{0,8}$/.test(text)) throw notFound(`revision "${text.slice(0, 20)}"`);
  return Number(text);
}

const etag = (response: Response, revision: number) => response.setHeader('ETag', `"${revision}"`);

@ApiTags('gadgets')
@Controller('api/gadgets')
export class GadgetsController {
  constructor(
    private readonly gadgets: GadgetsService,
    private readonly pictures: PicturesService,
    private readonly cards: CardsService,
  ) {}

  @Get()
  @ApiOperation({
    summary:
      'Gadgets on the shelf, or with bin=1 those in the bin; with cards=1 what is known of each, which works it out anew where it is old',
  })
  list(@Query('bin') bin?: string, @Query('cards') cards?: string) {
    return cards === '1' ? this.cards.list(bin === '1') : this.gadgets.list(bin === '1');
  }

  @Post()
  @ApiOperation({ summary: 'A new gadget: empty under a name, or from a document' })
  @ApiBody({ schema: apiSchema(createSchema) })
  create(@Body() body: unknown) {
    const wanted = parseOr422(createSchema, body);
    return 'name' in wanted ? this.gadgets.createEmpty(wanted.name) : this.gadgets.create(wanted.document);
  }

  @Post('import')
  @ApiOperation({ summary: 'A new gadget from the text of a file; older versions are brought up to date' })
  @ApiBody({ schema: apiSchema(gadgetSchema) })
  import(@Body() text: unknown) {
    return this.gadgets.importText(typeof text === 'string' ? text : '');
  }

  @Get(':id')
  @ApiOperation({ summary: 'The newest revision, with its number as ETag' })
  async open(@Param('id') id: string, @Res({ passthrough: true }) response: Response) {
    const gadget = await this.gadgets.open(id);
    etag(response, gadget.revision);
    return gadget;
  }

  @Put(':id')
  @ApiOperation({
    summary: 'Saves as a new revision; 409 with the newest one where the base is not the newest',
  })
  @ApiHeader({
    name: 'If-Match',
    description: 'The revision this save is based on, in quotes',
    required: true,
  })
  @ApiHeader({ name: 'Save-Id', description: 'Names this save: sent again, it is not saved twice' })
  @ApiBody({ schema: apiSchema(gadgetSchema) })
  async save(
    @Param('id') id: string,
    @Headers('if-match') ifMatch: string | undefined,
    @Headers('save-id') saveId: string | undefined,
    @Body() body: unknown,
    @Res({ passthrough: true }) response: Response,
  ) {
    const saved = await this.gadgets.save(id, baseOf(ifMatch), body, saveIdOf(saveId));
    etag(response, saved.revision);
    this.cards.saved(id);
    return saved;
  }

  @Patch(':id')
  @ApiOperation({ summary: 'Renames, as a new revision' })
  @ApiBody({ schema: apiSchema(renameSchema) })
  rename(@Param('id') id: string, @Body() body: unknown) {
    return this.gadgets.rename(id, parseOr422(renameSchema, body).name);
  }

  @Delete(':id')
  @ApiOperation({ summary: 'Puts it into the bin, where it can be taken out again' })
  bin(@Param('id') id: string) {
    return this.gadgets.setBinned(id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes it out of the bin' })
  restore(@Param('id') id: string) {
    return this.gadgets.setBinned(id, false);
  }

  @Post(':id/duplicate')
  @ApiOperation({ summary: 'A new gadget with the newest document of this one' })
  duplicate(@Param('id') id: string) {
    return this.gadgets.duplicate(id);
  }

  @Get(':id/file')
  @ApiOperation({ summary: 'The newest document, or that of ?revision=n, as a file' })
  async file(
    @Param('id') id: string,
    @Query('revision') revision: string | undefined,
    @Res() response: Response,
  ) {
    const { document } =
      revision === undefined
        ? await this.gadgets.open(id)
        : await this.gadgets.revision(id, numberOf(revision));
    // Only plain characters: the name is the maker's, the header is not.
    const name =
      document.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '') || 'gadget';
    const text = printGadgetFile(document, await this.pictures.forFile(document));
    response.attachment(`${name}.gadget.json`).type('application/json').send(text);
  }

  @Get(':id/portrait')
  @ApiOperation({ summary: 'What a picture of it is drawn from, as it lies there switched on' })
  portrait(@Param('id') id: string) {
    return this.cards.portrait(id);
  }

  @Get(':id/kept')
  @ApiOperation({ summary: 'How many revisions are kept of how many saves, and their bytes' })
  kept(@Param('id') id: string) {
    return this.gadgets.kept(id);
  }

  @Get(':id/revisions')
  @ApiOperation({ summary: 'All revisions, newest first, without documents' })
  revisions(@Param('id') id: string) {
    return this.gadgets.revisions(id);
  }

  @Get(':id/revisions/:number')
  @ApiOperation({ summary: 'One revision with its document' })
  revision(@Param('id') id: string, @Param('number') number: string) {
    return this.gadgets.revision(id, numberOf(number));
  }

  @Patch(':id/revisions/:number')
  @ApiOperation({ summary: 'Names a revision, or takes its name away with null' })
  @ApiBody({ schema: apiSchema(nameRevisionSchema) })
  nameRevision(@Param('id') id: string, @Param('number') number: string, @Body() body: unknown) {
    return this.gadgets.nameRevision(id, numberOf(number), parseOr422(nameRevisionSchema, body).name);
  }

  @Post(':id/revisions/:number/restore')
  @ApiOperation({ summary: 'Puts that revision on top, as a new one' })
  restoreRevision(@Param('id') id: string, @Param('number') number: string) {
    return this.gadgets.restoreRevision(id, numberOf(number));
  }
}
