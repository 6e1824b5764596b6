import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'sharp', 'exifr', 'joi', 'joi-to-json', 'piscina'],
  poweredByHeader: false,
  reactStrictMode: true,
  typescript: { ignoreBuildErrors: true },
  experimental: {
    // Whoever starts it waits for its first page, not for all of them; each of the others is read when it is asked for.
    preloadEntriesOnStart: false,
    optimizePackageImports: ['@chakra-ui/react', 'lucide-react'],
    // Photographs come through a route of their own; actions carry words and numbers.
    serverActions: { bodySizeLimit: '1mb' },
    // What the proxy passes on stays in memory: a CSV at the most. Larger files go by routes beside it.
    proxyClientMaxBodySize: '3mb',
  },
  turbopack: { root: import.meta.dirname },
};

export default config;
