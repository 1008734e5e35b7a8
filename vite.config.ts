import react from '@vitejs/plugin-react'
import { fileURLToPath } from 'node:url'
import { defineConfig, type Plugin } from 'vite'
import { texts } from './vite.texts.ts'

const php = (file: string): string => fileURLToPath(new URL(`./node_modules/@php-wasm/web-8-2/asyncify/${file}`, import.meta.url))

/**
 * PHP for the browser comes in two builds of 18 MB. Only the one that every browser runs is shipped, and its binary as a
 * file with an address of its own, so that it is fetched when it is needed and kept by the service worker.
 */
function phpForBrowsers(): Plugin {
  return {
    name: 'php-for-browsers',
    enforce: 'pre',
    resolveId(id, importer) {
      if (id === 'php-for-browsers') return '\0php-for-browsers'
      if (id === 'php-for-browsers-wasm?url' || (id.endsWith('.wasm') && importer?.includes('@php-wasm')))
        return `${php('8_2_33/php_8_2.wasm')}?url`
      return null
    },
    load: (id) =>
      id === '\0php-for-browsers'
        ? `import * as loader from ${JSON.stringify(php('php_8_2.js'))}; export const getPHPLoaderModule = async () => loader`
        : null,
  }
}

const TESTS = { environment: 'jsdom', testTimeout: 60_000, setupFiles: ['resources/js/test-setup.ts'] }

export default defineConfig({
  plugins: [phpForBrowsers(), texts(), react()],
  // The loader of PHP holds an eval for extensions loaded at run time; there are none, and the security policy forbids it.
  worker: { format: 'es', plugins: () => [phpForBrowsers()], rollupOptions: { checks: { eval: false } } },
  publicDir: false,
  base: '/build/',
  build: {
    outDir: 'public/build',
    manifest: 'manifest.json',
    emptyOutDir: true,
    chunkSizeWarningLimit: 1000,
    rollupOptions: { input: 'resources/js/main.tsx' },
  },
  test: {
    maxWorkers: 2,
    projects: [
      // Pages keep what they know in one place: each file begins with nothing known.
      { extends: true, test: { name: 'pages', ...TESTS, include: ['resources/js/**/*.test.tsx'] } },
      // A window made anew for each file took two thirds of the time; a file that needs a world of its own makes it.
      { extends: true, test: { name: 'rules', ...TESTS, include: ['resources/js/**/*.test.ts'], isolate: false } },
    ],
  },
} as import('vite').UserConfig)
