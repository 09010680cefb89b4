import type { MetadataRoute } from 'next';

/** So that a device keeps Even Crumb among its programs. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Even Crumb',
    short_name: 'Even Crumb',
    description: 'The bench book of a breakfast cook.',
    id: '/',
    start_url: '/',
    display: 'standalone',
    background_color: '#f3f6fa',
    theme_color: '#15346b',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
