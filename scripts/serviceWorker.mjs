/**
 * Bundles the service worker for what has been built, with the list of the files that it keeps on the device:
 * `public/service.worker.js`.
 */
import { getManifest } from '@serwist/build'
import { build } from 'esbuild'
import { readFileSync } from 'node:fs'

const version = readFileSync('.next/BUILD_ID', 'utf8').trim()

const { manifestEntries, warnings, size } = await getManifest({
  globDirectory: '.',
  globPatterns: ['.next/static/**/*.{js,css,woff2,wasm}', 'public/icons/*.png'],
  maximumFileSizeToCacheInBytes: 4_000_000,
  dontCacheBustURLsMatching: /^\.next\/static\//, // their names change with what is in them
  manifestTransforms: [
    (entries) => ({
      manifest: entries.map((entry) => ({
        ...entry,
        url: entry.url.replace(/^\.next\//, '/_next/').replace(/^public\//, '/'),
      })),
      warnings: [],
    }),
  ],
  additionalPrecacheEntries: ['/offline', '/manifest.webmanifest'].map((url) => ({ url, revision: version })),
})
if (warnings.length > 0) throw new Error(warnings.join('\n'))

await build({
  entryPoints: ['src/workers/service.worker.ts'],
  outfile: 'public/service.worker.js',
  bundle: true,
  minify: true,
  target: 'es2022',
  define: {
    'process.env.NODE_ENV': '"production"',
    'FILES': JSON.stringify(manifestEntries),
    'VERSION': JSON.stringify(version),
  },
})
console.log(`Kept on a device: ${manifestEntries.length} files, ${(size / 1e6).toFixed(1)} MB`)
