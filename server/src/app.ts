import 'reflect-metadata';
import { Controller, Get, Module, type DynamicModule } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import sirv from 'sirv';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { limits } from '@hum-lever/core';
import { CardsService } from './cards/cards.service.ts';
import { loadDemo } from './demo/loadDemo.ts';
import { DrawerController } from './drawer/drawer.controller.ts';
import { DrawerService } from './drawer/drawer.service.ts';
import { GadgetsController } from './gadgets/gadgets.controller.ts';
import { GadgetsService } from './gadgets/gadgets.service.ts';
import { sameOriginOnly } from './http/guards.ts';
import { logRequests } from './http/log.ts';
import { ProblemFilter } from './http/problem.filter.ts';
import { PicturesController } from './pictures/pictures.controller.ts';
import { PicturesService } from './pictures/pictures.service.ts';
import type { Settings } from './settings.ts';
import { ShelfController } from './shelf/shelf.controller.ts';
import { ShelfService } from './shelf/shelf.service.ts';
import { Store } from './store/store.ts';
import { JobsController } from './trials/jobs.controller.ts';
import { RunLimits, TrialRunner } from './trials/trialRunner.ts';
import { TrialsController } from './trials/trials.controller.ts';
import { TrialsService } from './trials/trials.service.ts';

@Controller('api/health')
class HealthController {
  @Get()
  health() {
    return { ok: true };
  }
}

@Module({})
class AppModule {
  static of(store: Store, limits: RunLimits): DynamicModule {
    return {
      module: AppModule,
      controllers: [
        HealthController,
        DrawerController,
        GadgetsController,
        JobsController,
        PicturesController,
        ShelfController,
        TrialsController,
      ],
      providers: [
        { provide: Store, useValue: store },
        { provide: RunLimits, useValue: limits },
        CardsService,
        DrawerService,
        GadgetsService,
        PicturesService,
        ShelfService,
        TrialRunner,
        TrialsService,
      ],
    };
  }
}

const contentSecurity = {
  directives: {
    defaultSrc: ["'self'"],
    // The component library sets its colours as style attributes.
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    workerSrc: ["'self'", 'blob:'],
    objectSrc: ["'none'"],
    frameAncestors: ["'none'"],
    // Served over plain http on loopback: nothing to upgrade to.
    upgradeInsecureRequests: null,
  },
};

/** The application, ready to listen: API under /api, the web build for everything else. */
export async function createApp(settings: Settings): Promise<NestExpressApplication> {
  const store = await Store.open(settings.data);
  const app = await NestFactory.create<NestExpressApplication>(
    AppModule.of(store, { mostMs: settings.runSeconds * 1_000 }),
    {
      bodyParser: false,
      logger: ['error', 'warn'],
    },
  );
  app.use(logRequests());
  app.use(
    helmet({
      contentSecurityPolicy: contentSecurity,
      strictTransportSecurity: false,
      xFrameOptions: { action: 'deny' },
    }),
  );
  app.use(sameOriginOnly(settings.host));
  // What the API says is so now, and at no other time; what never changes says so itself.
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  // Pretty-printed files are larger than the documents in them.
  const limit = limits.documentBytes + 65_536;
  // A file may carry the drawing, which base64 makes a third larger.
  app.use(
    '/api/gadgets/import',
    express.text({ type: () => true, limit: limit + 1.4 * limits.pictureBytes }),
  );
  app.use('/api/pictures', express.raw({ type: () => true, limit: limits.pictureBytes }));
  // Read line by line, as it comes.
  const json = express.json({ limit, type: () => true });
  app.use((request: Request, response: Response, next: NextFunction) =>
    request.path === '/api/shelf/restore' ? next() : json(request, response, next),
  );
  app.useGlobalFilters(new ProblemFilter());

  const description = new DocumentBuilder().setTitle('Hum Lever').setVersion('1').build();
  const openApi = SwaggerModule.createDocument(app, description);
  app.use('/api/openapi.json', (_request: Request, response: Response) => void response.json(openApi));

  if (settings.web !== null) serveWeb(app, settings.web);
  if (settings.demo !== null) {
    await loadDemo(settings.demo, store, app.get(GadgetsService), app.get(TrialsService));
  }
  return app;
}

/** Where a page may be: an address without an ending. Anything else that is not there is not found. */
const isPage = ({ method, path }: Request) =>
  (method === 'GET' || method === 'HEAD') && !path.startsWith('/api') && !/\.[^/]*$/.test(path);

/**
 * Files of the web build, as they were compressed when it was built; every page address gets the application itself,
 * which knows its routes.
 */
function serveWeb(app: NestExpressApplication, folder: string): void {
  if (!existsSync(join(folder, 'index.html')))
    throw new Error(`expected a web build in ${folder}; run "npm start", which makes one`);
  const files = sirv(folder, {
    brotli: true,
    gzip: true,
    etag: true,
    setHeaders: (response, path) =>
      response.setHeader(
        'Cache-Control',
        path.startsWith('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    if ((request.method !== 'GET' && request.method !== 'HEAD') || request.path.startsWith('/api'))
      return next();
    if (isPage(request)) request.url = '/index.html';
    files(request, response, next);
  });
}
