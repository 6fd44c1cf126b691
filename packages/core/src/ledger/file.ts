import { bookFromJson } from './check.js';
import type { Book } from './model.js';
import { BookRefused } from './refusal.js';

/** @throws BookRefused when the text is not JSON or not a book */
export function parseBook(text: string): Book {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new BookRefused([
      { code: 'not_a_book', path: '', field: 'the file', value: (error as Error).message, expected: 'JSON' },
    ]);
  }
  return bookFromJson(json);
}

/** One entry a line, so that two versions of a book can be compared by eye. */
export function serializeBook(book: Book): string {
  const { entries, chain, ...head } = book;
  const list = (name: string, items: readonly unknown[]): string =>
    `  "${name}": [${items.length > 0 ? `\n${items.map((item) => `    ${JSON.stringify(item)}`).join(',\n')}\n  ` : ''}]`;
  const top = JSON.stringify(head, null, 2).replace(/\n}$/, '');
  return `${[top, list('entries', entries), ...(chain === undefined ? [] : [list('chain', chain)])].join(',\n')}\n}\n`;
}
