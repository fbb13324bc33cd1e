import presets from 'jest-preset-angular/presets/index.js';

const preset = presets.createCjsPreset({ tsconfig: '<rootDir>/tsconfig.spec.json' });
const esmOnly = ['d3-[^/]+', '@noble/hashes', 'clipper2-ts', 'three', 'tinykeys', 'idb', '@angular/common/locales/.*\\.js$'];

export default {
  ...preset,
  testTimeout: 60_000,
  roots: ['<rootDir>/src'],
  setupFilesAfterEnv: ['<rootDir>/src/setup-jest.ts'],
  moduleNameMapper: {
    '\\.spawn$': '<rootDir>/src/spawn.stub.cjs',
    '^ng-apexcharts$': '<rootDir>/src/apex.stub.ts',
    '^@druckerei/core/planning$': '<rootDir>/../core/src/planning.ts',
    '^@druckerei/core/board$': '<rootDir>/../core/src/board.ts',
    '^@druckerei/core/words$': '<rootDir>/../core/src/words/index.ts',
    '^@druckerei/core$': '<rootDir>/../core/src/index.ts',
    '^@druckerei/contract$': '<rootDir>/../contract/src/index.ts',
  },
  transformIgnorePatterns: [`node_modules/(?!(?:.*\\.mjs$|(?:${esmOnly.join('|')})))`],
};
