import 'reflect-metadata';
import { existsSync, readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import path from 'node:path';
import type { INestApplication } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, type OpenAPIObject, SwaggerModule } from '@nestjs/swagger';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import sirv from 'sirv';
import { Logger } from 'nestjs-pino';
import { DataSource } from 'typeorm';
import { AppModule } from './app.module.js';
import { openDatabase } from './database.js';
import { PeopleService } from './features/people/index.js';
import { Sessions } from './platform/access.js';
import type { Config } from './platform/config.js';
import { ownHosts } from './platform/hosts.js';
import { databasePatience } from './platform/patience.js';
import { Refused } from './platform/refused.js';
import { validation } from './platform/validation.js';

const KEEP_ALIVE_MS = 75_000;
const HEADERS_MS = 15_000;

/** The whole server, ready to listen. */
export async function createApp(config: Config): Promise<INestApplication> {
  const db = await openDatabase(config.databaseUrl);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config, db), {
    bufferLogs: true,
    abortOnError: false,
    // No body is read before it is known who sends it: platform/body.ts.
    bodyParser: false,
    ...(config.tls ? { httpsOptions: config.tls } : {}),
  });
  // Longer than a browser or a proxy keeps an idle connection: who closes first would cut off a request that is just being sent.
  const server = app.getHttpServer() as Server;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  // Who is slow to say what he wants at all wants to hold a connection.
  server.headersTimeout = HEADERS_MS;
  if (config.proxies > 0) app.set('trust proxy', config.proxies);
  app.use(ownHosts(config));
  app.useLogger(app.get(Logger));
  app.flushLogs();
  app.setGlobalPrefix('api');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'upgrade-insecure-requests': null,
          // The solver of "does the rest fit?" is compiled code of our own site; text is never run.
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
        },
      },
      // Only who has a certificate of his own can promise that he will have one in a year.
      strictTransportSecurity: config.tls ? { maxAge: 31_536_000, includeSubDomains: false } : false,
    }),
  );
  if (config.webRoot) servePages(app, config.webRoot);
  // An answer of a large farm is a fifth of its size on a phone's line; a stream must go out as it is told.
  const isStream = (response: Response): boolean =>
    String(response.getHeader('Content-Type')).startsWith('text/event-stream');
  app.use(
    compression({
      level: 4,
      filter: (request: Request, response: Response) => !isStream(response) && compression.filter(request, response),
    }),
  );
  // A farm's figures are nobody's between it and the reader.
  app.use('/api', (_: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'private, no-cache');
    next();
  });
  app.use('/api', databasePatience(db));
  app.use(cookieParser());
  app.useGlobalPipes(validation);
  app.enableShutdownHooks();
  const api = new DocumentBuilder()
    .setTitle('Fanega')
    .setDescription(
      'The grain book of a row-crop farm. Masses in kg, moistures as wet-basis fractions, times with their zone.',
    )
    .setVersion('1')
    .addCookieAuth('fanega')
    .build();
  app.use(/^\/api\/docs.*/, docsForMembers(app));
  SwaggerModule.setup('api/docs', app, () => withSchemas(SwaggerModule.createDocument(app, api)));
  return app;
}

/** What can be asked here is nobody's business who is not signed in; the demo shows it to everybody. */
function docsForMembers(app: INestApplication) {
  const [sessions, people] = [app.get(Sessions), app.get(PeopleService)];
  return (request: Request, _: Response, next: NextFunction): void => {
    Promise.all([sessions.callerOf(request), people.hasDemo()])
      .then(([caller, demo]) => {
        next(caller || demo ? undefined : new Refused('sign_in_needed', 'Sign in first.'));
      })
      .catch(next);
  };
}

/** The schemas of all answers, which `npm run api` makes from the contract's types. */
const SCHEMAS = new URL('../../../docs/api-schemas.json', import.meta.url);

function withSchemas(document: OpenAPIObject): OpenAPIObject {
  const schemas = existsSync(SCHEMAS)
    ? (JSON.parse(readFileSync(SCHEMAS, 'utf8')) as NonNullable<OpenAPIObject['components']>['schemas'])
    : {};
  return {
    ...document,
    components: { ...document.components, schemas: { ...schemas, ...document.components?.schemas } },
  };
}

/** The built pages, packed by the build; any path that is neither a file nor the API's is the application's own. */
function servePages(app: NestExpressApplication, root: string): void {
  if (!existsSync(path.join(root, 'index.html'))) return;
  const serve = sirv(root, {
    brotli: true,
    gzip: true,
    single: true,
    etag: true,
    ignores: [/^\/api(\/|$)/],
    setHeaders: (response, pathname) =>
      void response.setHeader(
        'Cache-Control',
        pathname.startsWith('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  });
  app.use(serve);
}

/** Closes the application and its database connections. */
export async function closeApp(app: INestApplication): Promise<void> {
  const db = app.get(DataSource);
  await app.close();
  if (db.isInitialized) await db.destroy();
}
