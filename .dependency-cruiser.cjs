/**
 * The arrows between the rooms, types included:
 * app -> features -> ui, workers, platform -> core; server -> core; core -> nothing of ours.
 * Run by `npm run arrows`, which `npm test` does.
 */
/** Which rooms each room may use besides itself. */
const MAY_USE = {
  core: [],
  platform: ['core'],
  workers: ['core'],
  ui: ['core'],
  features: ['core', 'platform', 'workers', 'ui'],
  app: ['features', 'ui'],
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

/** Inside core: which folder may use which. What is not named here may be used by all above it. */
const CORE_ORDER = [
  ['quantity', 'chance'],
  ['setting'],
  ['evidence', 'schema'],
  ['compiled'],
  ['case'],
  ['cases', 'hazard'],
  ['arc'],
  ['bead'],
  ['sound'],
  ['hearing'],
  ['knowledge'],
  ['diagnosis'],
  ['correction'],
  ['start'],
  ['answer'],
  ['record'],
  ['learning'],
  ['shop'],
  ['school'],
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
      name: 'no-circle',
      severity: 'error',
      from: { pathNot: '^node_modules' },
      to: { circular: true },
    },
    {
      name: 'no-circle-of-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^(core|server|features|ui|platform|workers)/' },
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
