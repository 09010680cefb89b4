import { LIMITS } from './scripts/limits.mjs';

export default {
  testTimeout: LIMITS.unitTestMs,
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.(?:m?[jt]s|[jt]sx)$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'commonjs' } }],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};
