import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['better-sqlite3', 'sharp', '@react-pdf/renderer'],
  devIndicators: false,
}

export default config
