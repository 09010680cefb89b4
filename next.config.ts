import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  experimental: { serverActions: { bodySizeLimit: '1mb' } },
};

export default config;
