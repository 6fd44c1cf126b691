import type { ErrorIssue } from '@fanega/contract';
import { type ValidationError, ValidationPipe } from '@nestjs/common';
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

/** Bodies are checked against the contract's classes; nothing is converted and nothing unknown is let through. */
export const validation = new ValidationPipe({
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
