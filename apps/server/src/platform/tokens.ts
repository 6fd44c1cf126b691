import { createHash, randomBytes } from 'node:crypto';

export const newToken = (): string => randomBytes(32).toString('base64url');
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');
/** Whether a text may be a token at all: nothing else is worth a look at the database. */
export const mayBeToken = (text: string): boolean => /^[\w-]{20,100}$/.test(text);
