import type { MetadataRoute } from 'next';

/** With it a phone puts Kvell among its own programs. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Kvell',
    short_name: 'Kvell',
    description: 'The bench of a workshop that restores the cases and keyboards of old computers.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#e4e2de',
    theme_color: '#0b5c61',
    icons: [
      { src: '/icon.svg', type: 'image/svg+xml', sizes: 'any' },
      { src: '/icon-192.png', type: 'image/png', sizes: '192x192' },
      { src: '/icon-512.png', type: 'image/png', sizes: '512x512', purpose: 'maskable' },
    ],
  };
}
