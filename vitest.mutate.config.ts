import { defineConfig } from 'vitest/config'
import plain from './vitest.config'

const { projects: _, ...test } = plain.test!

/** The tests that stand against mutants: those of the trade, of its parts and of the server. */
export default defineConfig({
  ...plain,
  test: {
    ...test,
    include: ['src/{core,catalogue,server}/**/*.test.ts'],
    env: { NEAT_BRACKET_FEWER_RUNS: '20' },
  },
})
