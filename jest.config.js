const swc = (legacy) => [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', decorators: legacy, tsx: true },
      transform: legacy ? { legacyDecorator: true, decoratorMetadata: true } : { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'es6' },
  },
];

const moduleNameMapper = {
  '^@usual-pantry/core/([^/]+)$': '<rootDir>/core/src/$1/index.ts',
  '^(\\.{1,2}/.*)\\.js$': '$1',
};

const project = (displayName, roots, { legacy = false, ...more } = {}) => ({
  displayName,
  roots,
  testEnvironment: 'node',
  setupFiles: ['<rootDir>/scripts/lib/jest-seed.mjs'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '\\.tsx?$': swc(legacy) },
  moduleNameMapper,
  ...more,
});

export default {
  // A limit only stops what hangs: on a busy machine anything may take its time.
  testTimeout: 600_000,
  // All cores: jest itself would leave one of two free.
  maxWorkers: '100%',
  globalSetup: '<rootDir>/scripts/lib/jest-folder.mjs',
  globalTeardown: '<rootDir>/scripts/lib/jest-folder-away.mjs',
  projects: [
    project('unit', ['<rootDir>/core/src', '<rootDir>/web/src'], { testMatch: ['**/*.test.ts'] }),
    project('page', ['<rootDir>/web/src'], {
      testMatch: ['**/*.test.tsx'],
      testEnvironment: '<rootDir>/scripts/lib/jest-page.mjs',
      moduleNameMapper: { ...moduleNameMapper, '^react-chartjs-2$': '<rootDir>/scripts/lib/jest-no-chart.mjs' },
    }),
    project('reference', ['<rootDir>/core/reference']),
    project('api', ['<rootDir>/server/src'], { legacy: true }),
  ],
};
