import vue from '@vitejs/plugin-vue'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { wording } from './wording/src/vite.ts'

/** Seeds of properties are fixed here and printed by npm test; npm run explore draws new ones. */
const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = [
  { find: /^fast-check$/, replacement: here('./scripts/fast-check.ts') },
  { find: /^fast-check-itself$/, replacement: here('./node_modules/fast-check/lib/fast-check.js') }
]

export default defineConfig({
  test: {
    // one worker a core: the default leaves a machine of two cores with one
    maxWorkers: availableParallelism(),
    projects: [
      {
        plugins: [vue(), wording()],
        resolve: { alias },
        test: {
          name: 'unit',
          // these tests change nothing outside themselves: modules are read once a worker, not once a file
          isolate: false,
          setupFiles: ['./web/src/testing/words.ts'],
          include: [
            'core/**/*.test.ts',
            'content/**/*.test.ts',
            'contract/**/*.test.ts',
            'devices/**/*.test.ts',
            'web/src/**/*.test.ts',
            'wording/**/*.test.ts',
            'credential/src/**/*.test.ts',
            'bundle/src/**/*.test.ts',
            'scripts/**/*.test.ts',
            'demo/src/{scenario,sheets}.test.ts'
          ],
          exclude: ['**/node_modules/**'],
          // they run beside the browser at low priority, on a machine that may be several times slower for a minute
          testTimeout: 480000
        }
      },
      {
        resolve: { alias },
        test: {
          name: 'server',
          globalSetup: ['./scripts/test-database.mjs'],
          include: ['server/**/*.db.test.ts', 'demo/**/*.db.test.ts', 'server/**/*.test.ts'],
          exclude: ['**/node_modules/**'],
          fileParallelism: true,
          // every file has a database and a server of its own: modules are read once a worker
          isolate: false,
          testTimeout: 480000,
          hookTimeout: 480000
        }
      }
    ]
  }
})
