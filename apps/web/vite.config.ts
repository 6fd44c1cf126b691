import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Writes the service worker with the names of all files that the program is made of; a new build is a new version. */
function serviceWorker(): Plugin {
  return {
    name: 'fanega-service-worker',
    apply: 'build',
    generateBundle(_options, bundle) {
      const files = [
        '/',
        ...Object.keys(bundle)
          .filter((name) => /\.(js|css|woff2)$/.test(name))
          .map((name) => `/${name}`),
      ].sort();
      const version = createHash('sha256').update(files.join('\n')).digest('hex').slice(0, 12);
      const source = readFileSync(path.join(import.meta.dirname, 'sw.js'), 'utf8')
        .replace('__VERSION__', version)
        .replace('__FILES__', JSON.stringify(files));
      this.emitFile({ type: 'asset', fileName: 'sw.js', source });
    },
  };
}

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss(), serviceWorker()],
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:7300' } } },
});
