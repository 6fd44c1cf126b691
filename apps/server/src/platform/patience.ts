import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import type { DataSource } from 'typeorm';
import { TROUBLE_WORDS } from './trouble.js';

/** Before a phone gives up by itself (20 s). */
const LOOK_AFTER_MS = 8000;
const PROBE_MS = 3000;

const silence = (ms: number): Promise<'silent'> =>
  new Promise((resolve) => {
    setTimeout(() => resolve('silent'), ms).unref();
  });

/**
 * A request that waits long asks whether the database answers at all. Where it does not, whoever waits is told so instead of waiting for
 * ever; where it does, the request has its time. What was begun may still come to its end: the same again, by its ids, doubles nothing.
 */
export function databasePatience(db: () => DataSource) {
  const log = new Logger('database');
  return (_: Request, response: Response, next: NextFunction): void => {
    const look = async (): Promise<void> => {
      const answer = await Promise.race([
        db()
          .query('SELECT 1')
          .then(
            () => 'there' as const,
            // It is gone, and the request will be told so.
            () => 'there' as const,
          ),
        silence(PROBE_MS),
      ]);
      if (response.headersSent || response.writableEnded || response.destroyed) return;
      if (answer === 'there') return again();
      log.error('the database does not answer');
      response.setHeader('Retry-After', '5');
      response.status(503).json({
        statusCode: 503,
        code: 'database_silent',
        message: TROUBLE_WORDS.silent,
      });
    };
    let timer: NodeJS.Timeout;
    const again = (): void => {
      timer = setTimeout(() => void look(), LOOK_AFTER_MS);
      timer.unref();
    };
    again();
    response.once('close', () => clearTimeout(timer));
    next();
  };
}
