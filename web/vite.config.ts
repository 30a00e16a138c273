import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  base: '/static/',
  plugins: [vue(), tailwindcss()],
  build: { assetsInlineLimit: 0 },
  test: { environment: 'happy-dom', include: ['src/**/*.test.ts'] },
})
