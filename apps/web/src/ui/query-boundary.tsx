import type { ReactNode } from 'react';
import { Failure, Loading } from '.';
import { useInSlices } from './use-soon';

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
  const { data, error, mutate } = answer;
  const shown = useInSlices(data !== undefined);
  if (data !== undefined && shown) return children(data);
  if (error && data === undefined)
    return <Failure message={error.message} unreachable={error.unreachable ?? false} onRetry={() => void mutate()} />;
  return (
    <div className={tall ? 'min-h-[100vh]' : ''}>
      <Loading what={what} />
    </div>
  );
}

/** Several answers at once, by name: shown when all of them are there. */
export function QueryBoundaries<T extends object>({
  answers,
  ...rest
}: {
  answers: { readonly [K in keyof T]: Answer<T[K]> };
  what: string;
  tall?: boolean;
  children: (data: T) => ReactNode;
}) {
  const named = Object.entries(answers) as [string, Answer<unknown>][];
  const there = named.every(([, { data }]) => data !== undefined);
  const answer: Answer<T> = {
    data: there ? (Object.fromEntries(named.map(([name, { data }]) => [name, data])) as T) : undefined,
    error: named.find(([, { error }]) => error)?.[1].error,
    mutate: () => Promise.all(named.map(([, { mutate }]) => mutate())),
  };
  return <QueryBoundary answer={answer} {...rest} />;
}
