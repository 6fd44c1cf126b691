import { sentence, wordFieldRefusal } from '@fanega/contract';
import { checkRecord, type FieldRefusal, type LogKind } from '@fanega/core';
import { Injectable, type PipeTransform } from '@nestjs/common';
import { Refused } from './refused.js';

/** The refusals of a record as an answer: one sentence, and each at its field. */
export function recordRefuses(refusals: readonly FieldRefusal[]): Refused {
  const issues = refusals.map((refusal) => ({
    field: refusal.field,
    code: refusal.rule ?? refusal.code,
    message: wordFieldRefusal(refusal),
  }));
  const more = issues.length > 1 ? ` (and ${issues.length - 1} more)` : '';
  return new Refused('body_wrong', `${sentence(issues[0]!.message)}${more}`, issues);
}

/** Checks a body against its kind of record, by the core's own rules; nothing is converted and nothing unknown is let through. */
@Injectable()
export class RecordPipe implements PipeTransform {
  constructor(
    private readonly kind: LogKind,
    private readonly pick: 'body' | 'value' = 'body',
  ) {}

  transform(body: unknown): unknown {
    if (this.pick === 'body') {
      this.check(body);
      return body;
    }
    const { revision, value, ...rest } = (typeof body === 'object' && body !== null ? body : {}) as Record<
      string,
      unknown
    >;
    const wrong = (field: string, message: string): Refused =>
      new Refused('body_wrong', sentence(message), [{ field, code: 'revision', message }]);
    if (typeof revision !== 'number' || !Number.isInteger(revision) || revision < 0)
      throw wrong('revision', 'the revision that this change began from is missing');
    const [strange] = Object.keys(rest);
    if (strange !== undefined) throw wrong(strange, `${strange} is not a field of this`);
    this.check(value);
    return { revision, value };
  }

  private check(value: unknown): void {
    const refusals = checkRecord(this.kind, value);
    if (refusals.length > 0) throw recordRefuses(refusals);
  }
}
