/** Arrows point one way: web -> core, server -> core; inside core, up the list only. */
const layers = [
  'record',
  'quantity',
  'finding',
  'solver',
  'schedule',
  'ingredient',
  'starter',
  'cooking',
  'kitchen',
  'recipe',
  'batch',
  'reading',
  'piece',
  'box',
  'book',
  'order',
  'intake',
  'money',
  'shopping',
  'plan',
  'bench-day',
  'programme',
  'promise',
  'label',
  'compose',
  'season-file',
  'format',
  'api',
];

/** A folder of core may use the folders before it in the list, and no later one. */
const upOnly = layers.map((layer, index) => ({
  name: `core-${layer}-points-down`,
  severity: 'error',
  from: { path: `^core/src/${layer}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/src/(${layers.slice(index + 1).join('|') || 'none'})/` },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: { pathNot: '\\.entity\\.ts$' },
      to: { circular: true },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^(web|server|e2e|bench)/' },
    },
    {
      name: 'core-is-free-of-frameworks',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: {
        path: 'node_modules',
        pathNot: 'node_modules/(zod|es-toolkit|toposort|decimal\\.js|format-quantity|damerau-levenshtein|papaparse|pure-rand|jstat)/',
      },
    },
    {
      name: 'core-does-no-input-or-output',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'web-not-to-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^server/' },
    },
    {
      name: 'server-not-to-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^web/' },
    },
    ...upOnly,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.rules.json' },
  },
};
