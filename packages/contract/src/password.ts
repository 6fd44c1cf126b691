import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** How well a password stands against guessing: 0 and 1 are not taken, 4 is more than a farm needs. */
export interface PasswordStrength {
  readonly score: 0 | 1 | 2 | 3 | 4;
  /** what somebody would guess it by, where it is not taken */
  readonly wrong: string | null;
}

/** Below it a password is guessed within a million tries. */
const LEAST_SCORE = 2;

/** More of it takes long to look at, and can only make it harder to guess. */
const MOST_LOOKED_AT = 32;
const OTHER = /[^\p{L}\p{N}]+/gu;

/** Made where it is first asked for: its list of passwords is long. */
let guesser: ZxcvbnFactory | null = null;

/**
 * Guesses a password as those do who try them by the million: forty thousand common ones, letters for figures, rows of keys, repetitions,
 * days, and what is known of whose it is.
 * Source: D. L. Wheeler, "zxcvbn: Low-Budget Password Strength Estimation", USENIX Security 2016, as `@zxcvbn-ts/core` has it.
 * @param own what others know of whoever chooses it: name, address, farm
 */
export function passwordStrength(password: string, own: readonly string[] = []): PasswordStrength {
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  // "oona@example.com" is guessed by its parts too.
  const parts = own
    .flatMap((word) => [word, word.replace(OTHER, ''), ...word.split(OTHER)])
    .filter((word) => word.length > 2);
  const { score, sequence } = guesser.check(password.slice(0, MOST_LOOKED_AT), parts);
  if (score >= LEAST_SCORE) return { score, wrong: null };
  const by = new Set(sequence.map(({ pattern, dictionaryName }) => (pattern === 'dictionary' ? `${pattern} ${String(dictionaryName)}` : pattern))); // prettier-ignore
  const wrong = by.has('dictionary userInputs')
    ? 'this is guessed from your name, address or farm'
    : by.has('repeat') || by.has('sequence') || by.has('spatial')
      ? 'this is guessed at once: letters in a row or again and again'
      : 'this is one of the first that are guessed; put a few words together';
  return { score, wrong };
}
