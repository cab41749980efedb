import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  serverExternalPackages: ['sequelize', 'mariadb', 'umzug', 'sharp', '@node-rs/argon2', 'pino', 'pdfmake'],
  experimental: { serverActions: { bodySizeLimit: '16mb' } },
  // Type and lint errors are found by `npm test`, once.
  typescript: { ignoreBuildErrors: true },
}

export default config
