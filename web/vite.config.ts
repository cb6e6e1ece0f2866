import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { aliases } from './aliases.ts'

const server = { target: 'http://127.0.0.1:8000', changeOrigin: false }

export default defineConfig(({ command }) => ({
  plugins: [vue(), tailwindcss()],
  base: command === 'build' ? '/static/' : '/',
  resolve: { alias: aliases },
  // Django renders the built index.html and fills in the page's nonce.
  html: { cspNonce: '{{ request.csp_nonce }}' },
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5173, strictPort: true, proxy: { '^/(api|admin|static/admin)/': server } },
}))
