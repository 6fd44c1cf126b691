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

function sayNothingComes(response: Response): void {
  response.setHeader('Retry-After', '5');
  response.status(503).json({ statusCode: 503, code: 'database_silent', message: TROUBLE_WORDS.silent });
}

/**
 * A request that waits long asks whether the database answers at all. Where it does not, whoever waits is told so instead of waiting for
 * ever, and whoever comes then is told at once; where it does, the request has its time. What was begun may still come to its end: the same
 * again, by its ids, doubles nothing.
 */
export function databasePatience(db: DataSource) {
  const log = new Logger('database');
  /** One question at a time: each holds a connection until it is answered. */
  let asked: Promise<'there'> | undefined;
  let isSilent = false;
  const ask = (): Promise<'there'> => {
    // One that cannot be reached says so by itself.
    const done = (): 'there' => {
      asked = undefined;
      isSilent = false;
      return 'there';
    };
    return (asked ??= db.query('SELECT 1').then(done, done));
  };
  return (_: Request, response: Response, next: NextFunction): void => {
    if (isSilent) return sayNothingComes(response);
    const look = async (): Promise<void> => {
      const answer = await Promise.race([ask(), silence(PROBE_MS)]);
      if (answer === 'silent' && !isSilent) {
        isSilent = true;
        log.error('the database does not answer');
      }
      if (response.headersSent || response.writableEnded || response.destroyed) return;
      if (answer === 'there') again();
      else sayNothingComes(response);
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
