import { PASSWORD_LETTERS } from '@fanega/core';
import { type ComponentProps, useEffect, useState } from 'react';
import type { PasswordStrength } from '@fanega/contract/password';
import { PasswordBox } from './password-box';

const WORDS = { 2: 'Might be guessed in time', 3: 'Hard to guess', 4: 'Very hard to guess' } as const;

/** A password that somebody chooses, with how hard it is to guess as he types. */
export function NewPasswordBox({
  typed,
  own,
  ...props
}: Omit<ComponentProps<typeof PasswordBox>, 'hint'> & {
  typed: string;
  /** What others know of him: name, address, farm. */
  own: readonly string[];
}) {
  const strength = useStrength(typed, own.join('\n'));
  const short = typed.length < PASSWORD_LETTERS.least;
  const hint =
    short || strength === null
      ? `${PASSWORD_LETTERS.least} characters or more; a few words are easily kept in mind`
      : strength.wrong === null
        ? WORDS[strength.score as keyof typeof WORDS]
        : `Too easy: ${strength.wrong}`;
  return (
    <div>
      <PasswordBox autoComplete="new-password" hint={hint} {...props} />
      <meter
        className="mt-1 block h-2 w-full"
        aria-label="How hard it is to guess"
        min={0}
        max={4}
        low={2}
        high={3}
        optimum={4}
        value={short ? 0 : (strength?.score ?? 0)}
      />
    </div>
  );
}

/** Its list of common passwords is long, and comes when the first letter is typed. */
function useStrength(typed: string, own: string): PasswordStrength | null {
  const [strength, setStrength] = useState<PasswordStrength | null>(null);
  useEffect(() => {
    if (typed === '' || typed.length > PASSWORD_LETTERS.most) return setStrength(null);
    let late = false;
    import('@fanega/contract/password')
      .then(({ passwordStrength }) => {
        if (!late) setStrength(passwordStrength(typed, own.split('\n')));
      })
      // Without it he chooses as before, and the other side says what is too easy.
      .catch(() => undefined);
    return () => {
      late = true;
    };
  }, [typed, own]);
  return strength;
}
