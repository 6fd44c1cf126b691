/** A table by names of any kind: `constructor` and `__proto__` are names like others, and what is not in it is not there. */
export const tally = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;
