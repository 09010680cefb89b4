// Who may call whom. core stands alone; inside it a folder calls only those that come before it in the flow.
const order = ['quantity', 'pantry', 'card', 'formula', 'lift', 'batter', 'findings'];
const upward = order.flatMap((from, i) =>
  order.slice(i + 1).map((to) => ({
    name: `core-${from}-before-${to}`,
    severity: 'error',
    from: { path: `^src/core/${from}/` },
    to: { path: `^src/core/${to}/` },
  })),
);

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'core-alone', severity: 'error', from: { path: '^src/core' }, to: { path: '^src/(server|ui|app|workers)' } },
    { name: 'core-no-node', severity: 'error', from: { path: '^src/core', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-few-libraries',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm'], pathNot: 'node_modules/(fraction\\.js|fuse\\.js)' },
    },
    { name: 'ui-not-server', severity: 'error', from: { path: '^src/ui' }, to: { path: '^src/server' } },
    { name: 'server-not-ui', severity: 'error', from: { path: '^src/server' }, to: { path: '^src/(ui|app)' } },
    ...upward,
  ],
  options: {
    parser: 'swc',
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs'] },
  },
};
