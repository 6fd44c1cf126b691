import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';

const { resolve } = createRequire(import.meta.url);
const PARTS = [path.join(import.meta.dirname, '..'), ...['@fanega/core', '@fanega/contract'].map((name) => path.dirname(resolve(name)))]; // prettier-ignore

let mark: string | undefined;

/** A mark of the program that answers: another one may answer the same question of the same farm otherwise. */
export function programMark(): string {
  if (mark === undefined) {
    const hash = createHash('sha256');
    for (const part of PARTS)
      for (const file of readdirSync(part, { recursive: true, encoding: 'utf8' }).sort())
        if (file.endsWith('.js')) hash.update(file).update(readFileSync(path.join(part, file)));
    mark = hash.digest('base64url').slice(0, 16);
  }
  return mark;
}
