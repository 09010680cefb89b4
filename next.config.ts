import type { NextConfig } from 'next';

const config: NextConfig = {
  // where the server's user can't read this folder, it is served from a copy that carries what it needs
  ...(process.env.EVEN_CRUMB_STANDALONE && { output: 'standalone' }),
  poweredByHeader: false,
  // finds its own way to draw
  serverExternalPackages: ['@react-pdf/renderer'],
  reactStrictMode: true,
  devIndicators: false,
  // browsers ask for this one before the page's own icon link has streamed in
  rewrites: async () => [
    { source: '/favicon.ico', destination: '/icon.svg' },
    // one page for both: a Bench goes on when its formula is saved for the first time and the address changes
    { source: '/formulas/new', destination: '/formulas/bench' },
    { source: '/formulas/:formula([0-9a-f]{8}-[0-9a-f-]{27})', destination: '/formulas/bench' },
  ],
  // its browser build asks the page's document, which a worker has none of
  turbopack: {
    resolveAlias: { 'decode-named-character-reference': './node_modules/decode-named-character-reference/index.js' },
  },
  // a whole kitchen comes as one file
  experimental: { serverActions: { bodySizeLimit: '4mb' }, proxyClientMaxBodySize: '401mb' },
};

export default config;
