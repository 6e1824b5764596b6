/** The rules of the house: who may import whom. */
const COMPUTING = [
  'lru-cache',
  'd3-contour',
  'simplify-js',
  '@jscad',
  'earcut',
  'culori',
  'suncalc',
  'ml-matrix',
  'joi',
  '@date-fns/tz',
  '@date-fns/utc',
  'date-fns',
  'fast-check',
];

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(src|demo|e2e|scripts|benchmarks)/', pathNot: '^src/core/' },
    },
    {
      name: 'core-uses-computing-libraries-only',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: `node_modules/(${COMPUTING.join('|')})/` },
    },
    {
      name: 'data-over-core',
      severity: 'error',
      comment: 'And the kinds of what the pool runs.',
      from: { path: '^src/data/', pathNot: '\\.test(ing)?\\.ts$' },
      to: { path: '^src/', pathNot: '^src/(data|core)/|^src/workers/heavy\\.worker\\.ts$' },
    },
    {
      name: 'work-over-data',
      severity: 'error',
      comment: 'What is done to a machine: rules, cautions, words of the log. It knows no screen.',
      from: { path: '^src/work/', pathNot: '\\.test(ing)?\\.ts$' },
      to: { path: '^src/', pathNot: '^src/(work|data|core)/' },
    },
    {
      name: 'ui-knows-no-stage',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/', pathNot: '^src/(ui|core)/' },
    },
    {
      name: 'simulators-over-core',
      severity: 'error',
      from: { path: '^src/simulators/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/', pathNot: '^src/(simulators|core)/' },
    },
    {
      name: 'workers-call-core',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^src/', pathNot: '^src/(core|workers)/' },
    },
    {
      name: 'edge-over-core',
      severity: 'error',
      comment:
        'And four doors of the data layer: who has entered is asked at every edge, what is sent twice is done once, what is wrong with the disk is said, and paper is made in the pool.',
      from: { path: '^src/edge/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/', pathNot: '^src/(edge|core)/|^src/data/(door|once|fault|heavyPool)\\.ts$' },
    },
    {
      name: 'rooms-over-core-data-ui',
      comment:
        'Stages, bench, stores and the rooms beside them share through core, data, work, edge and ui, never through each other.',
      severity: 'error',
      from: { path: '^src/(stages/[^/]+|bench|stores|runsheet|measuring|sums|workshop)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/', pathNot: '^src/(core|data|work|edge|ui|undo|clipboard|workers|$1)/' },
    },
    {
      name: 'undo-and-clipboard-for-all-rooms',
      severity: 'error',
      from: { path: '^src/(undo|clipboard)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/', pathNot: '^src/(undo|clipboard|core|data|work|edge|ui)/' },
    },
    { name: 'nobody-imports-app', severity: 'error', from: { pathNot: '^src/app/' }, to: { path: '^src/app/' } },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.cjs', '.js', '.json'],
    },
  },
};
