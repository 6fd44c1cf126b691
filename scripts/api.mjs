// npm run api: the schemas of all answers from the contract's types, the OpenAPI description from the running server, and from that the
// web's types and its table of routes. `--check` writes nothing and fails where a file is not what it would be.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import openapiTS, { astToString } from 'openapi-typescript';
import { format, resolveConfig } from 'prettier';
import { createGenerator } from 'ts-json-schema-generator';
import { recordSchemas, TOPICS } from '@fanega/contract';
import { LOG_KINDS, OWN_CROP_ID, SETTING_KINDS } from '@fanega/core';
import { buildServer } from './lib/build.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensureMariadb } from './lib/packages.mjs';
import { anyFreePort, DATA, ROOT } from './lib/run.mjs';
import { prepareDatabase, startServer } from './lib/server.mjs';

const check = process.argv.includes('--check');
const file = (name) => path.join(ROOT, name);
let stale = 0;

async function write(name, text) {
  const made = await format(text, { ...(await resolveConfig(file(name))), filepath: file(name) });
  if (existsSync(file(name)) && readFileSync(file(name), 'utf8') === made) return;
  if (check) {
    stale++;
    console.log(`${name} is not what the server says; run npm run api`);
  } else {
    writeFileSync(file(name), made);
    console.log(`wrote ${name}`);
  }
}

/** Named types become schemas of their own; a generic's name is made plain. */
const plainName = (name) =>
  decodeURIComponent(name)
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/_$/, '');

/** One order for what has none: the compiler works in several threads, and lists the members of a union as it meets them. */
function ordered(value) {
  if (Array.isArray(value)) return value.map(ordered);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => {
      const made = ordered(inner);
      const free = ['enum', 'anyOf', 'type'].includes(key) && Array.isArray(made);
      return [key, free ? made.toSorted((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)) : made];
    }),
  );
}

function schemas() {
  const generator = createGenerator({
    path: file('packages/contract/src/api.ts'),
    tsconfig: file('packages/contract/tsconfig.json'),
    type: 'Api',
    expose: 'export',
    topRef: false,
    skipTypeCheck: true,
    additionalProperties: true,
    jsDoc: 'none',
  });
  const made = generator.createSchema('Api');
  // What is exported by itself is a definition, and the property only points to it.
  const text = JSON.stringify({ ...made.properties, ...made.definitions }).replace(
    /"#\/definitions\/([^"]+)"/g,
    (_, name) => `"#/components/schemas/${plainName(name)}"`,
  );
  return ordered({
    ...Object.fromEntries(Object.entries(JSON.parse(text)).map(([name, schema]) => [plainName(name), schema])),
    ...recordSchemas(),
  });
}

await ensureMariadb();
await buildServer();
const all = schemas();
await write(
  'docs/api-schemas.json',
  JSON.stringify(Object.fromEntries(Object.entries(all).sort(([a], [b]) => (a < b ? -1 : 1)))),
);

const database = await startDatabase(path.join(DATA, 'api'), { quiet: true });
const url = database.url('fanega_api');
await prepareDatabase(url, false);
const code = 'api';
const server = await startServer({
  url,
  port: await anyFreePort(),
  env: { FANEGA_LOG: 'error', FANEGA_SET_UP_CODE: code },
});
try {
  // The description is for those who are signed in; in a database of an earlier run somebody is there already.
  const who = { email: 'api@example.invalid', password: 'not for anybody' };
  const asked = (name, body) =>
    fetch(`${server.address}/api/auth/${name}`, {
      method: 'POST',
      headers: { Origin: server.address, 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  const begun = await asked('set-up', { ...who, code, farm: 'API', name: 'API', timeZone: 'UTC' });
  const signed = begun.ok ? begun : await asked('sign-in', who);
  const headers = { Cookie: signed.headers.get('set-cookie').split(';')[0] };
  const document = await (await fetch(`${server.address}/api/docs-json`, { headers })).json();
  document.components.schemas = { ...document.components.schemas, ...all };
  // No question of ours needs its query: what is left out has its usual value.
  for (const methods of Object.values(document.paths))
    for (const { parameters = [] } of Object.values(methods))
      for (const one of parameters) if (one.in === 'query') one.required = false;
  // A crop of a farm's own counts with the others in the core's types: one name stands for both.
  const plain = JSON.parse(JSON.stringify(document), (_, value) =>
    value?.anyOf?.length === 2 && value.anyOf[0].enum && value.anyOf[1].pattern === OWN_CROP_ID.source
      ? value.anyOf[0]
      : value,
  );
  const types = astToString(await openapiTS(plain, { immutable: true }));
  await write(
    'apps/web/src/data/api-types.ts',
    `// Made by npm run api from the server's OpenAPI description; do not edit.\n${types}`,
  );
  const routes = Object.entries(document.paths).flatMap(([route, methods]) =>
    // What depends on nothing and is kept nowhere needs no line: every page loads this list.
    methods.get?.['x-topics']?.length > 0 || methods.get?.['x-keep']
      ? [
          [
            route,
            {
              topics: methods.get['x-topics'],
              keep: methods.get['x-keep'] === true,
              ...(methods.get['x-clock'] === true ? { clock: true } : {}),
            },
          ],
        ]
      : [],
  );
  const kebab = (name) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
  const doors = (kinds, tail) =>
    JSON.stringify(
      Object.fromEntries(
        Object.entries(kinds).map(([name, { station }]) => [
          name,
          `/api/farms/{farmId}/${station}/${kebab(name)}${tail}`,
        ]),
      ),
    );
  const records = `
/** What a farm's changes are counted by. */
export const TOPICS = ${JSON.stringify(TOPICS)} as const satisfies readonly Topic[];

/** Where each kind of record is added, taken back and set. */
export const LOG_ROUTES = ${doors(LOG_KINDS, '')} as const;
export const VOID_ROUTES = Object.fromEntries(
  Object.entries(LOG_ROUTES).map(([name, route]) => [name, \`\${route}/{id}/void\`]),
) as { readonly [K in keyof typeof LOG_ROUTES]: \`\${(typeof LOG_ROUTES)[K]}/{id}/void\` };
export const SETTING_ROUTES = ${doors(SETTING_KINDS, '/{subject}')} as const;
`;
  await write(
    'apps/web/src/data/api-routes.ts',
    `// Made by npm run api from the server's OpenAPI description; do not edit.\nimport type { Topic } from '@fanega/contract';\n\n/** What every answer depends on, whether a place without a signal keeps it, and whether it goes on with the clock besides. */\nexport const ROUTES: Readonly<Record<string, { readonly topics: readonly Topic[]; readonly keep: boolean; readonly clock?: true }>> = ${JSON.stringify(Object.fromEntries(routes))};\n${records}`,
  );
} finally {
  await server.stop();
  await database.stop();
}
process.exit(stale > 0 ? 1 : 0);
