import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('./src', import.meta.url)),
      'server-only': fileURLToPath(new URL('./scripts/empty.mjs', import.meta.url)),
    },
  },
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts', 'scripts/**/*.test.ts'],
    // Only for what hangs: a machine that is shared may be many times slower than one's own.
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
})
