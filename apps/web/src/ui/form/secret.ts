import type { Box } from './box';

/** A password as it is typed: spaces belong to it. */
export const secret = (missing: string, least = 1): Box<string> => ({
  read: (typed) =>
    typed === ''
      ? { error: missing }
      : typed.length < least
        ? { error: `The password needs ${least} characters or more` }
        : { value: typed },
  control: { maxLength: 200 },
});
/** Characters that a new password has at least. */
export const LEAST_SECRET = 10;
