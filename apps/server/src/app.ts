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
import type { Express, NextFunction, Request, RequestHandler, Response } from 'express';
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
import { requestLog } from './platform/request-log.js';
import { validation } from './platform/validation.js';

const KEEP_ALIVE_MS = 75_000;
const HEADERS_MS = 15_000;
const DEVICES = '/api/device/';
const isOfApi = ({ path: address }: Request): boolean => /^\/api(\/|$)/i.test(address);
/** Bytes of an answer. */
const WORTH_A_TAG = 512;

type TagOf = (body: Buffer, encoding?: BufferEncoding) => string | undefined;

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
  app.useLogger(app.get(Logger));
  app.flushLogs();
  app.setGlobalPrefix('api');
  app.use(inTurn(requestLog(config), ownHosts(config), safeHeaders(config), ...pages(config.webRoot), ofTheApi(db)));
  // An answer of a line or two is not worth a fingerprint, by which it need not be sent again.
  const tagOf = (app.getHttpAdapter().getInstance() as Express).get('etag fn') as TagOf;
  app.set('etag', ((body, encoding) => (body.length < WORTH_A_TAG ? undefined : tagOf(body, encoding))) as TagOf);
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

/** One after the other, as the router calls them; that each of a dozen is looked up for each request costs more than what they do. */
const inTurn =
  (...steps: readonly RequestHandler[]): RequestHandler =>
  (request, response, done) => {
    const from = (n: number): void => {
      const step = steps[n];
      if (step === undefined) return done();
      void step(request, response, (error?: unknown) => (error ? done(error) : from(n + 1)));
    };
    from(0);
  };

const safeHeaders = ({ tls }: Config): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      directives: {
        'upgrade-insecure-requests': null,
        // The solver of "does the rest fit?" is compiled code of our own site; text is never run.
        'script-src': ["'self'", "'wasm-unsafe-eval'"],
      },
    },
    // Only who has a certificate of his own can promise that he will have one in a year.
    strictTransportSecurity: tls ? { maxAge: 31_536_000, includeSubDomains: false } : false,
  });

/** What only calls of the API go through. */
function ofTheApi(db: DataSource): RequestHandler {
  // An answer of a large farm is a fifth of its size on a phone's line; a stream must go out as it is told.
  const isStream = (response: Response): boolean =>
    String(response.getHeader('Content-Type')).startsWith('text/event-stream');
  const packed = compression({
    level: 4,
    filter: (request: Request, response: Response) => !isStream(response) && compression.filter(request, response),
  });
  // A farm's figures are nobody's between it and the reader.
  const unkept: RequestHandler = (_, response, next) => {
    response.setHeader('Cache-Control', 'private, no-cache');
    next();
  };
  const patience = databasePatience(db);
  const people = inTurn(packed, unkept, patience, cookieParser());
  // What a machine is told is a line or two, and it has no cookies.
  const devices = inTurn(unkept, patience);
  return (request, response, next) => {
    if (!isOfApi(request)) next();
    else void (request.path.startsWith(DEVICES) ? devices : people)(request, response, next);
  };
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
function pages(root: string | null): RequestHandler[] {
  if (!root || !existsSync(path.join(root, 'index.html'))) return [];
  const serve = sirv(root, {
    brotli: true,
    gzip: true,
    single: true,
    etag: true,
    setHeaders: (response, pathname) =>
      void response.setHeader(
        'Cache-Control',
        pathname.startsWith('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  });
  return [(request, response, next) => (isOfApi(request) ? next() : serve(request, response, next))];
}

/** Closes the application and its database connections. */
export async function closeApp(app: INestApplication): Promise<void> {
  const db = app.get(DataSource);
  await app.close();
  if (db.isInitialized) await db.destroy();
}
