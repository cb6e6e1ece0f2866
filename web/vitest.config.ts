import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { aliases } from './aliases.ts'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: aliases },
  test: { environment: 'happy-dom', setupFiles: ['tests/setup.ts'], include: ['tests/**/*.test.ts'], testTimeout: 30_000, pool: 'threads', maxWorkers: 1 },
})
