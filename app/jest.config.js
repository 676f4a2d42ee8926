const preset = require('jest-expo/jest-preset');

module.exports = {
  ...preset,
  displayName: 'app',
  cacheDirectory: '<rootDir>/../.hudrik/jest-app',
  testTimeout: 60_000,
  transform: {
    // What knows no screen needs no Babel.
    '/core/src/.+\\.ts$': require('../core/jest.config.cjs').transform['^.+\\.tsx?$'],
    ...preset.transform,
    // Packages that come as .mjs need Babel too.
    '\\.mjs$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'ios' } }],
  },
  moduleNameMapper: {
    ...preset.moduleNameMapper,
    '^@/(.*)$': '<rootDir>/src/$1',
    '^expo-router$': '<rootDir>/jest.router.js',
    '\\.css$': '<rootDir>/jest.css.js',
    '^@react-native-async-storage/async-storage$': '@react-native-async-storage/async-storage/jest/async-storage-mock',
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(react-error-boundary|\\.pnpm|react-native|@react-native|@react-native-community|expo|@expo|@expo-google-fonts|react-navigation|@react-navigation|nativewind|lucide-react-native|gifted-charts-core|standard-navigation|uuid|idb|p-retry|is-network-error))',
    '/node_modules/react-native-reanimated/plugin/',
  ],
};
