import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['highs', 'pdfjs-dist', '@napi-rs/canvas', 'better-sqlite3', 'sharp'],
  devIndicators: false,
}

export default config
