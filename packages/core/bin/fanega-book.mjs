#!/usr/bin/env node
// The built tool lives in dist/; this wrapper is committed so that npm can link it before the first build.
try {
  await import('../dist/cli/fanega-book.js');
} catch (error) {
  if (error?.code !== 'ERR_MODULE_NOT_FOUND') throw error;
  console.error('fanega-book is not built yet: run  npm run build:core');
  process.exit(1);
}
