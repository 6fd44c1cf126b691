import type { Request } from 'express';

/** Over https the name itself says that no other place may have set it. */
export const cookieOf = (request: Pick<Request, 'secure'>): string => (request.secure ? '__Host-fanega' : 'fanega');
/** The token that a request brings, if any. */
export const tokenOf = (request: Request): string | undefined => {
  const token = (request.cookies as Record<string, unknown> | undefined)?.[cookieOf(request)];
  return typeof token === 'string' && token !== '' ? token : undefined;
};
