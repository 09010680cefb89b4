import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // one finds its wasm beside itself, the other its own way to draw
  serverExternalPackages: ['highs', '@react-pdf/renderer'],
  reactStrictMode: true,
  devIndicators: false,
  // browsers ask for this one before the page's own icon link has streamed in
  rewrites: async () => [{ source: '/favicon.ico', destination: '/icon.svg' }],
  experimental: { serverActions: { bodySizeLimit: '4mb' } },
};

export default config;
