import type { BroughtLine } from '@fanega/contract';
import type { Logger } from '@nestjs/common';
import type { Response } from 'express';
import { Refused } from './refused.js';

/** How far a long piece of work is. */
export type Progress = (doing: string, done: number, of: number) => void;

const SAID_EVERY_MS = 250;

/**
 * Answers line by line how far a long piece of work is, and at the end what came of it. Until the first line it may still be refused as
 * any request; afterwards a line says what went wrong.
 * @param failed said of what we did not expect
 */
export async function answerInLines(
  response: Response,
  log: Logger,
  failed: string,
  work: (tell: Progress) => Promise<BroughtLine>,
): Promise<void> {
  const say = (line: BroughtLine): void => {
    if (!response.headersSent) response.type('application/x-ndjson');
    response.write(`${JSON.stringify(line)}\n`);
  };
  try {
    let last = 0;
    const done = await work((doing, done, of) => {
      if (Date.now() - last < SAID_EVERY_MS) return;
      last = Date.now();
      say({ doing, done, of });
    });
    say(done);
    response.end();
  } catch (error) {
    if (!response.headersSent) throw error;
    log.error(String(error));
    say({ problem: error instanceof Refused ? error.message : failed });
    response.end();
  }
}
