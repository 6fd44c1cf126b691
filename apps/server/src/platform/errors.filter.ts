import type { ErrorAnswer } from '@fanega/contract';
import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { Request, Response } from 'express';
import { Refused } from './refused.js';
import { withoutSecrets } from './request-log.js';
import { TROUBLE_WORDS, troubleOf } from './trouble.js';

const CODES: Record<number, string> = {
  400: 'body_wrong',
  404: 'not_found',
  405: 'method_wrong',
  413: 'too_large',
  415: 'body_wrong',
  429: 'too_many_sign_ins',
};

/** Every error leaves as {@link ErrorAnswer}; what we did not expect is logged whole and shown as one sentence. */
@Catch()
export class ErrorsFilter implements ExceptionFilter {
  private readonly logger = new Logger('errors');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    if (response.headersSent) {
      response.end();
      return;
    }
    const request = http.getRequest<Request>();
    if (!request.complete && isLong(request)) hangUpAfter(request, response);
    if (error instanceof Refused && error.retryAfter !== undefined)
      response.setHeader('Retry-After', String(error.retryAfter));
    const requestId = String((request as Request & { id?: unknown }).id ?? '');
    const answer = this.answer(error, request.path);
    if (answer.statusCode === 500)
      this.logger.error({ err: error, requestId, asked: `${request.method} ${withoutSecrets(request.path)}` }); // prettier-ignore
    // Said once a request, and without the stack of every one of them.
    else if (answer.statusCode > 500) this.logger.error(`${answer.code}: ${String(error)}`);
    response.status(answer.statusCode).json({ ...answer, ...(requestId ? { requestId } : {}) });
  }

  private answer(error: unknown, path: string): ErrorAnswer {
    if (error instanceof Refused) {
      return {
        statusCode: error.getStatus(),
        code: error.code,
        message: error.message,
        ...(error.issues.length > 0 ? { issues: error.issues } : {}),
      };
    }
    if (error instanceof HttpException) {
      const statusCode = error.getStatus();
      const body = error.getResponse();
      const message =
        typeof body === 'string' ? body : String((body as { message?: unknown }).message ?? error.message);
      return {
        statusCode,
        code: CODES[statusCode] ?? 'refused',
        message: statusCode === 413 ? tooLarge(path) : message,
      };
    }
    const { status, type } = error as { status?: number; type?: string };
    // body-parser's own errors: not JSON, too large, cut off.
    if (typeof status === 'number' && status >= 400 && status < 500) {
      const message =
        type === 'entity.too.large'
          ? tooLarge(path)
          : type === 'encoding.unsupported'
            ? 'what is packed is not taken: send the body as it is'
            : 'the body is not JSON that can be read';
      return { statusCode: status, code: CODES[status] ?? 'body_wrong', message };
    }
    const trouble = troubleOf(error);
    if (trouble !== null)
      return {
        statusCode: trouble === 'full' ? 507 : 503,
        code: trouble === 'full' ? 'disk_full' : `database_${trouble}`,
        message: TROUBLE_WORDS[trouble],
      };
    return {
      statusCode: 500,
      code: 'our_fault',
      message: 'Something went wrong on our side. Nothing was recorded; try again.',
    };
  }
}

/** A short body is read away; its line is of use for the next request. */
const SHORT_BYTES = 65_536;
/** A request without a body is no long one, though its end may not have been seen yet: whatever comes next on its line is another. */
export const isLong = ({ headers }: Pick<Request, 'headers'>): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > SHORT_BYTES;

/** Long enough for an answer to arrive on a slow line. */
const LINGER_MS = 500;

/**
 * What is still being sent is not wanted, and would be read to its end for nothing. A line that is cut at once takes the answer with it:
 * nothing more is read of it, and it is cut when the answer has had time to arrive.
 */
function hangUpAfter(request: Request, response: Response): void {
  response.once('finish', () => {
    const { socket } = request;
    // Node begins to read the rest away in its next tick.
    setImmediate(() => socket.pause());
    setTimeout(() => socket.destroy(), LINGER_MS).unref();
  });
}

const tooLarge = (path: string): string =>
  path.includes('/photos/')
    ? 'The photograph is larger than 4 MB; take it smaller, or let the page scale it.'
    : 'this is too large for one request; send it in smaller batches';
