import type { ErrorIssue } from '@fanega/contract';
import { type ArgumentMetadata, type ValidationError, ValidationPipe } from '@nestjs/common';
import { plainlyRight } from './plainly-right.js';
import { Refused } from './refused.js';

function collect(errors: readonly ValidationError[], path: readonly string[], issues: ErrorIssue[]): void {
  for (const error of errors) {
    const here = [...path, error.property];
    for (const [rule, message] of Object.entries(error.constraints ?? {})) {
      const at = here.indexOf('entries');
      const index = at >= 0 && here[at + 1] !== undefined ? Number(here[at + 1]) : undefined;
      const entry = (error.target as { id?: unknown } | undefined)?.id;
      issues.push({
        ...(index === undefined || Number.isNaN(index) ? {} : { index }),
        ...(typeof entry === 'string' ? { entry } : {}),
        field: error.property,
        code: rule === 'whitelistValidation' ? 'field_unknown' : rule,
        message: rule === 'whitelistValidation' ? `${error.property} is not a field of this` : message,
      });
    }
    if (error.children?.length) collect(error.children, here, issues);
  }
}

/** What is right beyond doubt is through at once; everything else is looked at by the library, which says what is wrong. */
class BodyValidation extends ValidationPipe {
  override transform(value: unknown, metadata: ArgumentMetadata): Promise<unknown> {
    const { type, metatype } = metadata;
    const made = type === 'body' && metatype && metatype !== Object ? plainlyRight(metatype)?.(value) : null;
    return made ? Promise.resolve(made) : super.transform(value, metadata);
  }
}

/** Bodies are checked against the contract's classes; nothing is converted and nothing unknown is let through. */
export const validation = new BodyValidation({
  whitelist: true,
  forbidNonWhitelisted: true,
  transform: true,
  transformOptions: { exposeUnsetFields: false },
  stopAtFirstError: true,
  exceptionFactory: (errors) => {
    const issues: ErrorIssue[] = [];
    collect(errors, [], issues);
    const first = issues[0];
    const where = first?.index === undefined ? '' : `entry ${first.index + 1}: `;
    return new Refused(
      'body_wrong',
      first
        ? `${where}${first.message}${issues.length > 1 ? ` (and ${issues.length - 1} more)` : ''}`
        : 'the body is wrong',
      issues,
    );
  },
});
