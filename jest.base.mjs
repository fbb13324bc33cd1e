// Jest runs CommonJS; packages that ship only ES modules are transformed by the same SWC step.
const esmOnly = [
  '@noble/hashes',
  'clipper2-ts',
  'svg-pathdata',
  'luxon',
  'postgrator',
  'glob',
  'minimatch',
  'path-scurry',
  'lru-cache',
  'minipass',
  'brace-expansion',
  'balanced-match',
  'p-limit',
  'yocto-queue',
];

/** One Jest set-up for core, contract and server. */
export const swcJest = (more = {}) => ({
  testEnvironment: 'node',
  // No outcome hangs on the speed of a machine: ten times what a quiet one needs.
  testTimeout: 60_000,
  roots: ['<rootDir>/src'],
  transform: {
    '^.+\\.[mc]?[jt]s$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', decorators: false } },
        module: { type: 'commonjs' },
        sourceMaps: 'inline',
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(?:${esmOnly.join('|')})/)`],
  ...more,
});
