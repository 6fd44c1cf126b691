/**
 * Who an entry is by: the account that wrote it. A name that was typed in a cab stands before it, so that nobody writes under another's
 * name alone: "Iwona (Levee office)".
 */
export function signedBy(typed: string | undefined, account: string): string {
  const name = typed?.trim() ?? '';
  if (name === '' || name === account) return account;
  return name.endsWith(` (${account})`) ? name : `${name} (${account})`;
}

/** Whether an entry is by somebody, under whatever account; while it waits on a device it has no account yet. */
export const isSignedBy = (by: string | undefined, name: string): boolean =>
  by === name || by?.startsWith(`${name} (`) === true;

/** Who stands in front: the driver of "Iwona (Oona)", an account alone; empty for nobody. */
export const signerOf = (by: string | undefined): string => (by ?? '').replace(/ \([^()]*(?:\([^()]*\)[^()]*)*\)$/, '');
