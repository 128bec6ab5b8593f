import { readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath, URL } from 'node:url'

import vue from '@vitejs/plugin-vue'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import Components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vitest/config'

const inTest = Boolean(process.env.VITEST)

/** The list of the program's own files, for a device to keep them (`public/shell.js`); one format of each font is enough. */
const shellList = {
  name: 'shell-list',
  // What stands in the folder at the end: a chunk may be dropped after the bundle was made.
  writeBundle(options: { dir?: string }) {
    const dir = options.dir ?? 'dist'
    const files = readdirSync(join(dir, 'assets')).filter((f) => /\.(js|css|woff2)$/.test(f))
    writeFileSync(join(dir, 'shell.json'), JSON.stringify(files.map((f) => `/assets/${f}`)))
  },
}

export default defineConfig({
  plugins: [
    shellList,
    vue(),
    // Element Plus per use; our own components are imported by name where they are used.
    Components({
      dirs: [],
      resolvers: [ElementPlusResolver({ importStyle: inTest ? false : 'css' })],
      dts: 'src/components.d.ts',
    }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  // Fonts stay files: the content security policy knows no data: fonts.
  build: { outDir: 'dist', assetsInlineLimit: 0, sourcemap: false, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:8350' } },
  test: { environment: 'happy-dom', include: ['tests/**/*.test.ts'], setupFiles: ['tests/setup.ts'] },
})
