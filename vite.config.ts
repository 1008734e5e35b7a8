import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react()],
  publicDir: false,
  base: '/build/',
  build: {
    outDir: 'public/build',
    manifest: 'manifest.json',
    emptyOutDir: true,
    rollupOptions: { input: 'resources/js/main.tsx' },
  },
  test: { environment: 'jsdom', include: ['resources/js/**/*.test.{ts,tsx}'] },
} as import('vite').UserConfig)
