/** Cycles and unresolvable imports fail; aliases come from a small config of their own. */
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'could-not-resolve',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^\\$(app|env|service-worker)|^\\./\\$types|cities' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.svelte.ts', '.js', '.svelte', '.json', '.css', '.d.ts'],
      exportsFields: ['exports'],
      conditionNames: ['svelte', 'import', 'types', 'default'],
    },
    webpackConfig: { fileName: '.dependency-aliases.cjs' },
  },
};
