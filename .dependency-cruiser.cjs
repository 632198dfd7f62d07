/** The rooms of core from the ground up: each may import those before it, tests aside. Drawn in docs/architecture.md. */
const rooms =
  'text money records store keywords cut places verdicts market rules view ads groups finds pages forecast research terms layouts exchange copying plan proof'.split(
    ' ',
  );

const upward = rooms.slice(0, -1).map((room, at) => ({
  name: `${room}-imports-only-rooms-below`,
  severity: 'error',
  from: { path: `^src/lib/core/${room}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/lib/core/(?:${rooms.slice(at + 1).join('|')})/` },
}));

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
      name: 'no-circle-in-core',
      comment: 'Types count too.',
      severity: 'error',
      from: { path: '^src/lib/core/' },
      to: { circular: true },
    },
    {
      name: 'core-stands-in-rooms',
      severity: 'error',
      from: { path: `^src/lib/core/(?!(?:${rooms.join('|')})/)` },
      to: {},
    },
    {
      name: 'core-imports-only-core',
      severity: 'error',
      from: { path: '^src/lib/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/', pathNot: '^src/lib/core/' },
    },
    ...upward,
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
