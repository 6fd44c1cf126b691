import type { ErrorIssue } from '@fanega/contract';
import { HttpException } from '@nestjs/common';
import { type Refusal, type RefusalCode, wordRefusalAtField } from '@fanega/core';

/** What the server itself refuses, with its HTTP status. */
const STATUS = {
  body_wrong: 400,
  too_slow: 408,
  sign_in_needed: 401,
  sign_in_wrong: 401,
  code_wrong: 403,
  password_weak: 422,
  origin_wrong: 403,
  not_a_member: 403,
  role_too_low: 403,
  not_found: 404,
  too_large: 413,
  id_used_otherwise: 409,
  name_used: 409,
  book_begun: 409,
  no_backup_folder: 409,
  place_in_use: 409,
  setting_changed: 409,
  corrected_already: 409,
  set_up_already: 409,
  host_wrong: 421,
  book_refuses: 422,
  season_closed: 422,
  backup_refused: 422,
  too_many_sign_ins: 429,
  too_often: 429,
  busy: 503,
} satisfies Record<string, number>;

export type ServerCode = keyof typeof STATUS;

/** An error that a person understands: what is wrong and what to do. */
export class Refused extends HttpException {
  constructor(
    readonly code: ServerCode,
    message: string,
    readonly issues: readonly ErrorIssue[] = [],
    /** Seconds after which it may be tried again. */
    readonly retryAfter?: number,
  ) {
    super({ code, message, issues }, STATUS[code]);
  }
}

const INDEX = /^entries\[(\d+)]/;

/** The book's refusals as issues of an answer. Exhaustive by construction: wording comes from the core's own table. */
export function issuesOf(refusals: readonly Refusal[]): ErrorIssue[] {
  return refusals.map((refusal) => {
    const index = INDEX.exec(refusal.path)?.[1];
    return {
      ...(index === undefined ? {} : { index: Number(index) }),
      ...(refusal.id === undefined ? {} : { entry: refusal.id }),
      ...(refusal.field === undefined ? {} : { field: refusal.field }),
      code: refusal.code satisfies RefusalCode,
      message: wordRefusalAtField(refusal),
    };
  });
}

export function bookRefuses(refusals: readonly Refusal[]): Refused {
  const issues = issuesOf(refusals);
  const first = issues[0]?.message ?? 'the book refuses this';
  return new Refused('book_refuses', issues.length > 1 ? `${first} (and ${issues.length - 1} more)` : first, issues);
}

/** Runs a write that takes something out; where a record still points to it, nothing is done. */
export async function unlessPointedTo<T>(work: () => Promise<T>, refused: Refused): Promise<T> {
  try {
    return await work();
  } catch (error) {
    throw (error as { code?: string }).code === 'ER_ROW_IS_REFERENCED_2' ? refused : error;
  }
}

/** Runs a write; a name that the farm has already is said at its field. */
export async function unlessNameUsed<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if ((error as { code?: string }).code !== 'ER_DUP_ENTRY') throw error;
    throw new Refused('name_used', 'The farm has one of this name already.', [
      { field: 'name', code: 'name_used', message: 'this name is used already' },
    ]);
  }
}
