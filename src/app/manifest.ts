import type { MetadataRoute } from 'next'

/** How the application stands on a home screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Neat Bracket',
    short_name: 'Neat Bracket',
    description: 'From first sighting to signed hand-over, one record per camera.',
    id: '/',
    start_url: '/',
    display: 'standalone',
    background_color: '#F7F5EF',
    theme_color: '#F7F5EF',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
