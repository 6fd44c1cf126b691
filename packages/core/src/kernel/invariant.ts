/** For our own bugs only: what a user typed is refused with a code, never through here. */
export function invariant(condition: boolean, what: string, value?: unknown): asserts condition {
  if (!condition) throw new Error(`bug: ${what}${value === undefined ? '' : ` (got ${String(value)})`}`);
}
