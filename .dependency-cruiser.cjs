/** Arrows point one way: web -> core, server -> core; inside core, up the list only. */
const layers = [
  'record',
  'help',
  'quantity',
  'room',
  'history',
  'finding',
  'solver',
  'schedule',
  'ingredient',
  'starter',
  'cooking',
  'device',
  'kitchen',
  'recipe',
  'batch',
  'reading',
  'piece',
  'box',
  'book',
  'making',
  'practice',
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

/** Folders of the web, each using those before it. */
const pages = [
  'parts',
  'data',
  'forms',
  'records',
  'batches',
  'findings',
  'door',
  'today',
  'orders',
  'boxes',
  'pantry',
  'recipes',
  'plan',
  'kitchen',
  'labels',
  'money',
  'history',
  'settings',
  'print',
  'app',
];

/** Folders of the server, each using those before it. Those up to `device` serve every noun, and know none. */
const serving = [
  'thread',
  'refusal',
  'clock',
  'storage',
  'http',
  'device',
  'door',
  'solver',
  'history',
  'book',
  'kitchen',
  'ingredient',
  'recipe',
  'piece',
  'box',
  'order',
  'batch',
  'promise',
  'plan',
  'inbox',
  'label',
  'making',
  'money',
  'season-file',
  'watch',
];

/** A folder of core may use the folders before it in the list, and no later one. */
const pointsDown = (part, names) =>
  names.map((name, index) => ({
    name: `${part}-${name}-points-down`,
    severity: 'error',
    from: { path: `^${part}/src/${name}/`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${part}/src/(${names.slice(index + 1).join('|') || 'none'})/` },
  }));
const upOnly = [...pointsDown('core', layers), ...pointsDown('web', pages), ...pointsDown('server', serving)];

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
        pathNot:
          'node_modules/(zod|es-toolkit|decimal\\.js|format-quantity|damerau-levenshtein|papaparse|pure-rand|jstat|ml-matrix|ml-levenberg-marquardt)/',
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
