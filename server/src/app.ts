import { StandardSchemaValidationPipe, type NestApplicationOptions } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import compression from 'compression';
import type { NextFunction, Request, Response } from 'express';
import type { StandardSchemaV1 } from '@standard-schema/spec';
import { speakPlainly } from '@usual-pantry/core/record';
import { AppModule } from './app.module.js';
import { Clock, FixedClock, SystemClock } from './clock/clock.js';
import type { Config } from './config.js';
import { readBodies } from './http/bodies.js';
import { ErrorFilter } from './http/error-filter.js';
import { wrongValues } from './http/errors.js';
import { hostGuard } from './http/guard.js';
import { contentPolicy, servePages } from './http/pages.js';
import { openDatabase } from './storage/data-source.js';

/** The stream of changes must not wait until there is enough to compress. */
const isStream = (request: Request): boolean => request.path === '/api/changes';

const pathOf = (issue: StandardSchemaV1.Issue): PropertyKey[] =>
  (issue.path ?? []).map((part) => (typeof part === 'object' ? part.key : part));

function describe(app: NestExpressApplication): void {
  const about = new DocumentBuilder()
    .setTitle('Usual Pantry')
    .setDescription('Masses in grams, money in minor units of the currency, days as YYYY-MM-DD.')
    .setVersion('1')
    .build();
  SwaggerModule.setup('api/docs', app, () => SwaggerModule.createDocument(app, about), {
    jsonDocumentUrl: 'api/openapi.json',
  });
}

/**
 * Opens the database and builds the server around it; does not listen yet.
 * @throws when the database cannot be opened or brought up to date
 */
export async function createApp(
  config: Pick<Config, 'dataDir' | 'pagesDir' | 'allowedHosts' | 'today'>,
  quiet = false,
): Promise<NestExpressApplication> {
  speakPlainly();
  const dataSource = await openDatabase(config.dataDir);
  const clock: Clock = config.today ? new FixedClock(config.today) : new SystemClock();
  const options: NestApplicationOptions = {
    bodyParser: false,
    logger: quiet ? false : ['error', 'warn'],
  };
  const app = await NestFactory.create<NestExpressApplication>(
    AppModule.around(dataSource, clock, config.dataDir),
    options,
  );
  app.disable('x-powered-by');
  app.use(hostGuard(config.allowedHosts));
  app.use(contentPolicy());
  app.use(compression({ filter: (request, response) => !isStream(request) && compression.filter(request, response) }));
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  readBodies(app);
  app.useGlobalPipes(
    new StandardSchemaValidationPipe({
      exceptionFactory: (issues) =>
        wrongValues(issues.map((issue) => ({ path: pathOf(issue), message: issue.message }))),
    }),
  );
  app.useGlobalFilters(new ErrorFilter());
  describe(app);
  app.use(servePages(config.pagesDir));
  app.enableShutdownHooks();
  return app;
}
