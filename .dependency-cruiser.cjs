/** The storeys of the house: a lower one never imports a higher one; in core each room knows only those above it in the list. */
const ROOMS = [
  'quantity',
  'words',
  'scene',
  'plant',
  'flow',
  'stock',
  'product',
  'colour',
  'signature',
  'layout',
  'form',
  'ink',
  'register',
  'quality',
  'finishing',
  'counts',
  'route',
  'processes',
  'families',
  'plan',
  'schedule',
  'exchange',
];
/** What a kind of work says and assumes lies in its folder as plain data; the catalogue and the practice take it from there. */
const KIND_DATA = '^core/src/processes/[^/]+/(words|practice)\\.ts$';
const TESTS = '\\.(test|spec|fixture)\\.ts$';

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: { pathNot: TESTS }, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: TESTS },
      to: { path: '^(contract|server|web|e2e)/' },
    },
    { name: 'core-does-no-io', severity: 'error', from: { path: '^core/src', pathNot: TESTS }, to: { dependencyTypes: ['core'] } },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^contract/src', pathNot: TESTS },
      to: { path: '^(server|web|e2e)/' },
    },
    { name: 'server-knows-no-web', severity: 'error', from: { path: '^server/src', pathNot: TESTS }, to: { path: '^(web|e2e)/' } },
    { name: 'web-knows-no-server', severity: 'error', from: { path: '^web/src', pathNot: TESTS }, to: { path: '^(server|e2e)/' } },
    {
      name: 'only-the-worker-plans',
      severity: 'error',
      from: { path: '^web/src', pathNot: 'plan\\.worker\\.ts$|\\.spec\\.ts$' },
      to: { path: '^core/src/plan/(plan|what-if/(propose|substitutes))\\.ts$' },
    },
    ...ROOMS.map((room, i) => ({
      name: `room-${room}`,
      severity: 'error',
      from: { path: `^core/src/${room}/`, pathNot: TESTS },
      to: { path: `^core/src/(${ROOMS.slice(i + 1).join('|') || 'nothing'})/`, pathNot: KIND_DATA },
    })),
    {
      name: 'kind-data-is-plain',
      severity: 'error',
      from: { path: KIND_DATA },
      to: { path: '^core/src/', pathNot: '^core/src/(words|plant)/' },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.js', '.mjs', '.json'],
    },
  },
};
