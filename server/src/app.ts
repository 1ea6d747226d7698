import 'reflect-metadata';
import { Controller, Get, Module, type DynamicModule } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import express from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { limits } from '@hum-lever/core';
import { loadDemo } from './demo/loadDemo.ts';
import { GadgetsController } from './gadgets/gadgets.controller.ts';
import { GadgetsService } from './gadgets/gadgets.service.ts';
import { sameOriginOnly } from './http/guards.ts';
import { logRequests } from './http/log.ts';
import { ProblemFilter } from './http/problem.filter.ts';
import { PicturesController } from './pictures/pictures.controller.ts';
import { PicturesService } from './pictures/pictures.service.ts';
import type { Settings } from './settings.ts';
import { Store } from './store/store.ts';
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
  static of(store: Store): DynamicModule {
    return {
      module: AppModule,
      controllers: [HealthController, GadgetsController, PicturesController, TrialsController],
      providers: [{ provide: Store, useValue: store }, GadgetsService, PicturesService, TrialsService],
    };
  }
}

const contentSecurity = {
  directives: {
    defaultSrc: ["'self'"],
    // The component library sets its colours as style attributes.
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
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
  const app = await NestFactory.create<NestExpressApplication>(AppModule.of(store), {
    bodyParser: false,
    logger: ['error', 'warn'],
  });
  app.use(logRequests());
  app.use(helmet({ contentSecurityPolicy: contentSecurity, strictTransportSecurity: false }));
  app.use(sameOriginOnly(settings.host));
  // Pretty-printed files are larger than the documents in them.
  const limit = limits.documentBytes + 65_536;
  // A file may carry the drawing, which base64 makes a third larger.
  app.use(
    '/api/gadgets/import',
    express.text({ type: () => true, limit: limit + 1.4 * limits.pictureBytes }),
  );
  app.use('/api/pictures', express.raw({ type: () => true, limit: limits.pictureBytes }));
  app.use(express.json({ limit, type: () => true }));
  app.useGlobalFilters(new ProblemFilter());

  const description = new DocumentBuilder().setTitle('Hum Lever').setVersion('1').build();
  const openApi = SwaggerModule.createDocument(app, description);
  app.use(
    '/api/openapi.json',
    (_request: express.Request, response: express.Response) => void response.json(openApi),
  );

  if (settings.web !== null) serveWeb(app, settings.web);
  if (settings.demo !== null) {
    const gadgets = app.get(GadgetsService);
    const any = [...(await gadgets.list(false)), ...(await gadgets.list(true))];
    if (any.length === 0) await loadDemo(settings.demo, gadgets, app.get(TrialsService));
  }
  return app;
}

/** Files of the web build; every other page address gets the application itself, which knows its routes. */
function serveWeb(app: NestExpressApplication, folder: string): void {
  const index = join(folder, 'index.html');
  if (!existsSync(index))
    throw new Error(`expected a web build in ${folder}; run "npm start", which makes one`);
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false }));
  app.use((request: express.Request, response: express.Response, next: express.NextFunction) => {
    const page = request.method === 'GET' && !request.path.startsWith('/api') && request.accepts('html');
    if (page) response.setHeader('Cache-Control', 'no-cache').sendFile(index);
    else next();
  });
}
