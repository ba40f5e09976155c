import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from 'vite';

const dist = join(import.meta.dirname, 'dist');

/** Everything that the page is made of, as it was just built: what carries its hash in its name, and the rest by its contents. */
function shell(): { url: string; revision: string | null }[] {
  return readdirSync(dist, { recursive: true, encoding: 'utf8' })
    .filter((path) => path !== 'sw.js' && statSync(join(dist, path)).isFile())
    .map((path) => ({
      url: `/${path}`,
      revision: path.startsWith('assets/')
        ? null
        : createHash('sha256')
            .update(readFileSync(join(dist, path)))
            .digest('hex'),
    }));
}

/** The service worker: built after the page, of which it keeps a copy. */
export default defineConfig({
  publicDir: false,
  define: { __SHELL__: JSON.stringify(shell()), 'process.env.NODE_ENV': '"production"' },
  build: {
    target: 'es2022',
    emptyOutDir: false,
    rolldownOptions: { input: 'worker/sw.ts', output: { entryFileNames: 'sw.js', format: 'iife' } },
  },
});
