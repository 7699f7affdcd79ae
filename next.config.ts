import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['pdfjs-dist', '@napi-rs/canvas', 'better-sqlite3', 'sharp', '@react-pdf/renderer'],
  devIndicators: false,
}

export default config
