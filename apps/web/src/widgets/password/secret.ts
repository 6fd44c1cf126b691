import { PASSWORD_LETTERS } from '@fanega/core';
import type { Box } from '../../ui/form/box';

/** A password as it is typed: spaces belong to it. */
export const secret = (missing: string): Box<string> => ({
  read: (typed) => (typed === '' ? { error: missing } : { value: typed }),
  control: { maxLength: 200 },
});
/** One that somebody chooses; whether it is easily guessed, the other side says. */
export const newSecret = (missing: string): Box<string> => ({
  read: (typed) =>
    typed === ''
      ? { error: missing }
      : typed.length < PASSWORD_LETTERS.least
        ? { error: `The password needs ${PASSWORD_LETTERS.least} characters or more` }
        : typed.length > PASSWORD_LETTERS.most
          ? { error: `A password has at most ${PASSWORD_LETTERS.most} characters` }
          : { value: typed },
  control: { maxLength: 200 },
});
