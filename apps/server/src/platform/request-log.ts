import { randomUUID } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import type { NextFunction, Request, Response } from 'express';
import { pinoHttp } from 'pino-http';
import type { Config } from './config.js';

/** Tokens are longer than any id. */
export const withoutSecrets = (url: string): string => url.replace(/[\w-]{40,}/g, '…');

const idOf = ({ headers }: IncomingMessage): string => String(headers['x-request-id'] ?? randomUUID());

/** What no line of the log says. */
export const REDACTED = ['req.headers.cookie', 'req.headers.authorization', 'res.headers["set-cookie"]'];

/** Each request has an id, which the answer to a failure and its line in the log say; a log that wants to has a line of each request. */
export function requestLog({ logLevel }: Pick<Config, 'logLevel'>) {
  if (['trace', 'debug', 'info'].includes(logLevel))
    return pinoHttp({
      level: logLevel,
      genReqId: idOf,
      // A link's secret stands in its path: no line says it.
      serializers: {
        req: (request: { url: string; params?: unknown; query?: unknown }) => ({
          ...request,
          url: withoutSecrets(request.url),
          params: undefined,
          query: undefined,
        }),
      },
      redact: REDACTED,
      customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? 'error' : 'info'),
    });
  // Nothing is made of a request for a log that does not want it.
  return (request: Request & { id?: unknown }, _: Response, next: NextFunction): void => {
    request.id = idOf(request);
    next();
  };
}
