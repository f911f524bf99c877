/** Imports run one way: core ← contract ← server, web. Circles are found by scripts/rooms.mjs. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src' },
      // Packages that need neither DOM nor Node: one reads XML, two know the documents of texts. See
      // docs/decisions/packages-of-the-core.md.
      to: { pathNot: ['^core/src', 'node_modules/(saxes|prosemirror-(model|transform))/'] },
    },
    {
      name: 'contract-knows-core-alone',
      severity: 'error',
      from: { path: '^contract/src' },
      to: { path: '^(server|web|demo|e2e)/' },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|e2e)/' } },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e)/' },
    },
    {
      name: 'demo-knows-core-alone',
      severity: 'error',
      from: { path: '^demo/src' },
      to: { path: '^(server|web|e2e)/' },
    },
    {
      name: 'ui-knows-no-feature',
      severity: 'error',
      from: { path: '^web/src/ui/' },
      to: { path: '^web/src/(?!ui/|text/|theme/|api/)' },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(server|web)/dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.css'],
    },
  },
};
