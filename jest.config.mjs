import { LIMITS } from './scripts/limits.mjs';

export default {
  testTimeout: LIMITS.unitTestMs,
  // one a core: by itself jest leaves one free, half of a machine of two
  maxWorkers: '100%',
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.(?:m?[jt]s|[jt]sx)$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
  // packages that come as modules of the new kind alone
  transformIgnorePatterns: [
    '/node_modules/(?!(?:htmlparser2|domhandler|domutils|domelementtype|dom-serializer|entities|mdast-util-[^/]+|micromark[^/]*|unist-util-[^/]+|decode-named-character-reference|character-entities[^/]*|ccount|longest-streak|zwitch|markdown-table|escape-string-regexp|devlop|trim-lines|d3-array|d3-random|internmap)/)',
  ],
  moduleNameMapper: {
    // a thread's file is bundled, which a test's is not
    '^\\./thread$': '<rootDir>/src/server/reading/in-process.ts',
    '^@/(.*)$': '<rootDir>/src/$1',
  },
};
