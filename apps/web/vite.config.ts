import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

/** The page asks for its letters with its scripts: text that changes its letters later moves what stands below it. */
const lettersEarly: Plugin = {
  name: 'letters-early',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => file.endsWith('.woff2'))
        .sort()
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' },
          injectTo: 'head',
        })),
  },
};

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    tailwindcss(),
    lettersEarly,
    // The worker's rules are our own (src/sw.ts); the build writes in the names of all files that the program is made of.
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectRegister: false,
      manifest: false,
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,woff2,svg,webmanifest}'],
        // A password is chosen with a signal, or not at all: its list of common ones stays away from a phone that keeps the program.
        globIgnores: ['**/password-*.js'],
        maximumFileSizeToCacheInBytes: 6_000_000,
      },
    }),
    // Packed once, and not for each visit.
    compression({
      include: /\.(js|css|html|svg|webmanifest|wasm)$/,
      threshold: 1024,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
  ],
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:7300' } } },
});
