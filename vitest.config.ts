import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** What the screens' tests put in the place of modules must not reach the next: each stands alone. */
const SCREENS = ['src/{app,ui}/**/*.test.tsx']

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('./src', import.meta.url)),
      'server-only': fileURLToPath(new URL('./scripts/empty.mjs', import.meta.url)),
    },
  },
  test: {
    // Only for what hangs: a machine that is shared may be many times slower than one's own.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    projects: [
      {
        extends: true,
        test: {
          name: 'trade',
          include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts', 'scripts/**/*.test.ts'],
          exclude: SCREENS,
          isolate: false,
        },
      },
      { extends: true, test: { name: 'screens', include: SCREENS } },
    ],
  },
})
