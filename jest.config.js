/** Jest runs the rooms that need no browser; the real interface is tested by Playwright in e2e/. */
export default {
  testEnvironment: 'node',
  // A test that hangs ends all the same; one that is slow on a busy machine is no defect.
  testTimeout: 60_000,
  // Nothing else runs beside it in `npm test`: every core works.
  maxWorkers: '100%',
  // The same code runs at half its speed in a process that has loaded the library for some sixty files: a new one costs a second.
  workerIdleMemoryLimit: '400MB',
  // Each look at a global goes through the sandbox, a tenth of all the time. Not `Date`: tests set its clock.
  sandboxInjectedGlobals: [
    'Array',
    'Boolean',
    'Error',
    'Float64Array',
    'JSON',
    'Map',
    'Math',
    'Number',
    'Object',
    'Set',
    'String',
    'Symbol',
  ],
  testMatch: ['<rootDir>/{core,simulator,cli,server,web,tools,scripts,faults}/**/*.test.ts'],
  transform: {
    '^.+\\.(t|j|mj)sx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
  modulePathIgnorePatterns: ['<rootDir>/web/dist', '<rootDir>/web/dist-before'],
};
