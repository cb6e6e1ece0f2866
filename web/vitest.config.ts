import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: { environment: 'happy-dom', setupFiles: ['tests/setup.ts'], include: ['tests/**/*.test.ts'], testTimeout: 30_000, pool: 'threads', maxWorkers: 1 },
})
