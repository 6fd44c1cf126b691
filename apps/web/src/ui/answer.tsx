import type { ReactNode } from 'react';
import { Failure, Loading } from './index';

interface Answer<T> {
  readonly data: T | undefined;
  readonly error: { readonly message: string; readonly unreachable?: boolean } | undefined;
  readonly mutate: () => unknown;
}

/** What was asked for, or why it is not there yet. What was shown before stays while there is no signal. */
export function Answered<T>({ answer, what, children }: { answer: Answer<T>; what: string; children: (data: T) => ReactNode }) {
  const { data, error, mutate } = answer;
  if (data !== undefined) return children(data);
  if (error) return <Failure message={error.message} unreachable={error.unreachable ?? false} onRetry={() => void mutate()} />;
  return <Loading what={what} />;
}
