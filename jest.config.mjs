const swc = {
  '^.+\\.(tsx?|js)$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
      module: { type: 'commonjs' },
    },
  ],
};
const common = {
  testEnvironment: 'node',
  transform: swc,
  // Packages that are modules only, and are read as tests read everything.
  transformIgnorePatterns: ['/node_modules/(?!(fast-png|iobuffer)/)'],
  extensionsToTreatAsEsm: [],
  // How often dear properties are tried: see core/src/test/runs.ts.
  globals: { timesAsOften: Number(process.env.HUM_LEVER_RUNS ?? 1) },
  moduleNameMapper: { '^@hum-lever/core$': '<rootDir>/../core/src/index.ts' },
};
export default {
  // Browser tests wait more than they compute: two at a time keep two cores busy.
  maxWorkers: 2,
  projects: [
    { ...common, displayName: 'core', rootDir: 'core', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...common, displayName: 'server', rootDir: 'server', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    {
      ...common,
      displayName: 'web',
      rootDir: 'web',
      testMatch: ['<rootDir>/src/**/*.test.ts'],
      moduleNameMapper: { ...common.moduleNameMapper, '\\.css$': '<rootDir>/src/test/styles.ts' },
    },
    {
      ...common,
      displayName: 'e2e',
      rootDir: 'e2e',
      testMatch: ['<rootDir>/src/**/*.test.ts'],
      globalSetup: '<rootDir>/src/test/shelf.ts',
      globalTeardown: '<rootDir>/src/test/clearShelf.ts',
    },
  ],
};
