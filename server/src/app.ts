import { readFileSync } from 'node:fs';
import type { NestApplicationOptions } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import compression from 'compression';
import type { NextFunction, Request, Response } from 'express';
import { speakPlainly } from '@usual-pantry/core/record';
import { AppModule, entities } from './app.module.js';
import { Clock, FixedClock, SystemClock } from './clock/clock.js';
import type { Config } from './config.js';
import { inAddress, isThisComputer, namesOf } from './http/addresses.js';
import { ownCertificate, type Certificate } from './door/certificate.js';
import { doorGuard } from './door/door-guard.js';
import { SeasonPlanner } from './plan/season-planner.js';
import { DoorService } from './door/door.service.js';
import { readBodies } from './http/bodies.js';
import { withContract } from './http/contract.js';
import { ErrorFilter } from './http/error-filter.js';
import { hostGuard } from './http/guard.js';
import { ExampleKitchen } from './example/example-kitchen.js';
import { toExample } from './example/proxy.js';
import { contentPolicy, servePages } from './http/pages.js';
import { ValuesPipe } from './http/values.pipe.js';
import { CannotStart } from './storage/cannot-start.js';
import { Database } from './storage/database.js';
import { RequestLog } from './watch/request-log.js';

/** Within this computer what is small is not sooner there. The stream of changes must not wait until there is enough to compress. */
const isWorthCompressing = (request: Request, response: Response): boolean =>
  !isThisComputer(request.ip ?? '') && !request.path.endsWith('/changes') && compression.filter(request, response);

function describe(app: NestExpressApplication): void {
  const about = new DocumentBuilder()
    .setTitle('Usual Pantry')
    .setDescription('Masses in grams, money in minor units of the currency, days as YYYY-MM-DD.')
    .setVersion('1')
    .build();
  SwaggerModule.setup('api/docs', app, () => withContract(SwaggerModule.createDocument(app, about)), {
    jsonDocumentUrl: 'api/openapi.json',
  });
}

/** What a server is built from; without more it is for this computer only, unlocked, over plain HTTP. */
type Setup = Pick<Config, 'dataDir' | 'pagesDir' | 'allowedHosts' | 'today'> &
  Partial<Pick<Config, 'host' | 'port' | 'isLocked' | 'tls' | 'asItIs' | 'exampleFile' | 'planWork'>>;

async function certificateFor({ tls = 'off', dataDir }: Setup, names: readonly string[]): Promise<Certificate | null> {
  if (tls === 'off') return null;
  if (tls === 'own') return ownCertificate(dataDir, names);
  try {
    return { cert: readFileSync(tls.cert, 'utf8'), key: readFileSync(tls.key, 'utf8') };
  } catch (error) {
    throw new CannotStart(`The certificate cannot be read: ${(error as Error).message}. Look at TLS_CERT and TLS_KEY.`);
  }
}

/**
 * Opens the database and builds the server around it; does not listen yet.
 * @throws CannotStart in words when the folder or the database cannot be used, or the door would stand open
 */
export async function createApp(setup: Setup, quiet = false): Promise<NestExpressApplication> {
  speakPlainly();
  const { dataDir, host = '127.0.0.1', isLocked = false } = setup;
  const clock: Clock = setup.today ? new FixedClock(setup.today) : new SystemClock();
  const names = namesOf(host, setup.allowedHosts);
  const database = await Database.open(dataDir, clock.today(), entities, setup.asItIs);
  try {
    const certificate = await certificateFor(setup, names);
    const options: NestApplicationOptions = {
      bodyParser: false,
      abortOnError: false,
      logger: quiet ? false : ['error', 'warn'],
      ...(certificate ? { httpsOptions: certificate } : {}),
    };
    const servedAt = () =>
      names.map((name) => `${certificate ? 'https' : 'http'}://${inAddress(name)}:${String(setup.port)}`);
    const { pagesDir, today, exampleFile: file = null } = setup;
    const example = { dataDir, pagesDir, today, file };
    const app = await NestFactory.create<NestExpressApplication>(
      AppModule.around({ database, clock, isLocked, servedAt, example }),
      options,
    );
    if (setup.planWork !== undefined) app.get(SeasonPlanner).mostWork = setup.planWork;
    const door = app.get(DoorService);
    if (isLocked && !door.hasPassphrase)
      throw new CannotStart(
        'The kitchen is to be reached from beyond this computer, and no passphrase is set: anybody could read and change everything. It is not started so. Set one first: npm run passphrase. Or start it for this computer only, without HOST and ALLOWED_HOSTS.',
      );
    app.disable('x-powered-by');
    // A proxy on this computer may say for whom it asks; nobody else may.
    app.set('trust proxy', 'loopback');
    app.use(app.get(RequestLog).middleware());
    app.use(hostGuard(names));
    app.use(contentPolicy(certificate !== null));
    app.use(compression({ filter: isWorthCompressing }));
    app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
      response.set('Cache-Control', 'no-store');
      next();
    });
    app.use('/api', doorGuard(door));
    app.use('/api/example/kitchen', toExample(app.get(ExampleKitchen)));
    readBodies(app);
    app.useGlobalPipes(new ValuesPipe());
    app.useGlobalFilters(new ErrorFilter());
    describe(app);
    app.use(servePages(setup.pagesDir));
    app.enableShutdownHooks();
    return app;
  } catch (error) {
    await database.close();
    throw error;
  }
}
