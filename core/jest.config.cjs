module.exports = {
  displayName: 'core',
  cacheDirectory: '<rootDir>/../.hudrik/jest-core',
  testEnvironment: 'node',
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
};
