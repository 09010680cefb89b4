import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // finds its wasm beside itself
  serverExternalPackages: ['highs'],
  reactStrictMode: true,
  devIndicators: false,
  // browsers ask for this one before the page's own icon link has streamed in
  rewrites: async () => [{ source: '/favicon.ico', destination: '/icon.svg' }],
  experimental: { serverActions: { bodySizeLimit: '4mb' } },
};

export default config;
