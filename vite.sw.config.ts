import { defineConfig } from 'vite'

/** The service worker: one file at the root, so that its scope is the whole application. */
export default defineConfig({
  publicDir: false,
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'public',
    emptyOutDir: false,
    copyPublicDir: false,
    lib: { entry: 'resources/js/sw.ts', formats: ['es'], fileName: () => 'sw.js' },
  },
})
