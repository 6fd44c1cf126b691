import { type ReactNode, useDeferredValue } from 'react';
import { Failure, Loading } from '.';

interface Answer<T> {
  readonly data: T | undefined;
  readonly error: { readonly message: string; readonly unreachable?: boolean } | undefined;
  readonly mutate: () => unknown;
}

/** What was asked for, or why it is not there yet. What was shown before stays while there is no signal. */
export function QueryBoundary<T>({
  answer,
  what,
  tall = false,
  children,
}: {
  answer: Answer<T>;
  what: string;
  /** Something stands below: it keeps out of sight until this is there, and nothing jumps. */
  tall?: boolean;
  children: (data: T) => ReactNode;
}) {
  const { error, mutate } = answer;
  // A page that comes with all of its answers is made in slices, between what a reader does.
  const data = useDeferredValue(answer.data);
  if (data !== undefined) return children(data);
  if (error)
    return <Failure message={error.message} unreachable={error.unreachable ?? false} onRetry={() => void mutate()} />;
  return (
    <div className={tall ? 'min-h-[100vh]' : ''}>
      <Loading what={what} />
    </div>
  );
}
