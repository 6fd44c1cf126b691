import path from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type HtmlTagDescriptor, type Plugin } from 'vite';
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

/** The farm is asked by a small script of its own, ahead of the program: a script of the page's own would wait for the whole of it. */
const questionsEarly: Plugin = {
  name: 'questions-early',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle }) => {
      const script = (file: string): HtmlTagDescriptor => ({
        tag: 'script',
        attrs: { type: 'module', async: true, crossorigin: '', src: `/${file}` },
        injectTo: 'head-prepend',
      });
      if (!bundle) return [script('src/ask-early.ts')];
      const chunk = Object.values(bundle).find((one) => one.type === 'chunk' && one.name === 'ask-early');
      if (chunk?.type !== 'chunk') throw new Error('the questions asked early are not in the build');
      const needs = chunk.imports.map((file): HtmlTagDescriptor => ({
        tag: 'link',
        attrs: { rel: 'modulepreload', crossorigin: '', href: `/${file}` },
        injectTo: 'head-prepend',
      }));
      return [script(chunk.fileName), ...needs];
    },
  },
};

/** What draws charts, and the frame of ours around it. */
const CHARTS =
  /node_modules\/(recharts|victory-vendor|@reduxjs|react-redux|immer|reselect|redux|es-toolkit|decimal|eventemitter3|react-is|d3-(color|interpolate|format|time|scale))|chart-frame/;

const page = (file: string): string => path.join(import.meta.dirname, file);

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    tailwindcss(),
    lettersEarly,
    questionsEarly,
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
  build: {
    target: 'es2022',
    // What is loaded later is not named ahead by a link of its own: the worker's files come in milliseconds, and the links, made one by one while
    // the page is drawn, take a phone longer than they save.
    modulePreload: { resolveDependencies: (_, files, { hostType }) => (hostType === 'html' ? files : []) },
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      input: { index: page('index.html'), 'ask-early': page('src/ask-early.ts') },
      output: {
        // A page in eighty files waits for eighty answers, six at a time, and its questions to the farm wait behind them.
        codeSplitting: {
          groups: [
            // What asks comes ahead of everything; what pages share comes in three files, by how many need it.
            {
              name: 'ask',
              test: /openapi-fetch|src\/(ask-early|data\/(api|early|weather-hours)|app\/opens-with)\.ts$/,
              priority: 4,
            },
            {
              name: 'charts',
              test: CHARTS,
              priority: 2.5,
              includeDependenciesRecursively: false,
            },
            { name: 'first', tags: ['$initial'], priority: 3 },
            { name: 'common', minShareCount: 30, priority: 2 },
            { name: 'often', minShareCount: 12, priority: 1 },
            {
              name: 'some',
              test: /^(?!.*(d3-|papaparse|read-table|file-parts|weigh-again))/,
              minShareCount: 6,
              maxModuleSize: 8000,
            },
            // Each file of its own costs a phone more than the few lines that it does not need of this one.
            { name: 'little', test: /(web|core|contract)\/(src|dist)/, minShareCount: 2, maxModuleSize: 6000 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:7300' } } },
});
