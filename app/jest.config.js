const preset = require('jest-expo/jest-preset');

const swc = (jsc) => ['@swc/jest', { jsc: { target: 'es2022', ...jsc }, module: { type: 'commonjs' } }];
/** What is written here needs no Babel: the same wrapping of elements as the built app's. */
const OWN = swc({
  parser: { syntax: 'typescript', tsx: true },
  transform: { react: { runtime: 'automatic', importSource: 'nativewind' } },
});

module.exports = {
  ...preset,
  displayName: 'app',
  cacheDirectory: '<rootDir>/../.hudrik/jest-app',
  testTimeout: 120_000,
  transform: {
    '/core/src/.+\\.ts$': require('../core/jest.config.cjs').transform['^.+\\.tsx?$'],
    '/app/(src|app)/.+\\.tsx?$': OWN,
    // Packages that come as modules; React Native's own are written in Flow.
    '/node_modules/(?!@?react-native/).+\\.m?jsx?$': swc({ parser: { syntax: 'ecmascript', jsx: true } }),
    ...preset.transform,
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
