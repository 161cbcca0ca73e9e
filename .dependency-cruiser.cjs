/**
 * The arrows between the rooms, types included:
 * app -> features -> client, ui, workers, platform -> core; client -> platform; server -> core; core -> nothing of ours.
 * Run by `npm run arrows`, which `npm test` does.
 */
/** Which rooms each room may use besides itself. */
const MAY_USE = {
  core: [],
  platform: ['core'],
  client: ['core', 'platform'],
  workers: ['core'],
  ui: ['core'],
  features: ['core', 'client', 'platform', 'workers', 'ui'],
  app: ['client', 'features', 'ui'],
  server: ['core'],
  measure: ['core', 'server'],
  e2e: ['core'],
  // The drawing of a bead is drawn into pictures too.
  scripts: ['core', 'server', 'measure', 'ui'],
};
const ROOMS = Object.keys(MAY_USE);

const rooms = ROOMS.map((room) => ({
  name: `${room}-uses-only-${['itself', ...MAY_USE[room]].join('-')}`,
  severity: 'error',
  from: { path: `^${room}/` },
  to: { path: `^(${ROOMS.filter((other) => other !== room && !MAY_USE[room].includes(other)).join('|')})/` },
}));

/** Inside core, from below: which folder may use which. Every folder stands here (`every-room-of-core-has-its-place`). */
const CORE_ORDER = [
  ['quantity', 'chance'],
  ['setting'],
  ['evidence', 'schema'],
  ['compiled'],
  ['case'],
  ['cases', 'hazard', 'care'],
  ['arc'],
  ['bead', 'inspection'],
  ['picture'],
  ['sound'],
  ['hearing'],
  ['knowledge'],
  ['diagnosis'],
  ['correction'],
  ['start'],
  ['repair', 'answer'],
  ['record'],
  ['learning', 'files'],
  ['shop'],
  ['school'],
  ['access'],
];
const coreRooms = CORE_ORDER.flatMap((level, i) =>
  level.map((folder) => ({
    name: `core-${folder}-looks-down`,
    severity: 'error',
    from: { path: `^core/${folder}/` },
    to: {
      path: `^core/(${
        CORE_ORDER.slice(i + 1)
          .flat()
          .join('|') || 'nothing'
      })/`,
    },
  })),
);

module.exports = {
  forbidden: [
    ...rooms,
    ...coreRooms,
    {
      name: 'every-room-of-core-has-its-place',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${CORE_ORDER.flat().join('|')})/` },
    },
    {
      name: 'no-circle',
      severity: 'error',
      from: { pathNot: '^node_modules' },
      to: { circular: true },
    },
    {
      name: 'no-feature-uses-another',
      severity: 'error',
      from: { path: '^features/([^/]+)/' },
      to: { path: '^features/', pathNot: '^features/($1|shared)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-has-no-interface-and-no-server',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|react-.*|expo.*|express|drizzle-orm|better-sqlite3)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Tests look wherever they like.
    exclude: { path: '^(dist|\\.cache|\\.expo|data)/|\\.test\\.tsx?$|(^|/)testing/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.d.ts'] },
  },
};
