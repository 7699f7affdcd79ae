/** Who may import whom: core ← catalogue ← drawings, workers ← server, ui ← app. Tests may use everything. */
const forbid = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: to },
})

/** Rooms of the core that are entered by their door only. */
const ROOMS =
  '^src/core/(units|geometry|findings|sources|parts|plan|sight|mount|route|terminate|seal|power|pull' +
  '|pathway|reels|labels|test|handover|procedure|order|assembly|equipment|round)/'

const rules = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    forbid(
      'core-is-pure',
      '^src/core',
      '^(src/(catalogue|drawings|server|ui|app|workers|testing)' +
        '|node_modules/(next|react|@chakra-ui|better-sqlite3|dexie))',
    ),
    forbid('catalogue-below', '^src/catalogue', '^src/(drawings|server|ui|app|testing)'),
    forbid(
      'drawings-below',
      '^src/drawings',
      '^(src/(catalogue|server|ui|app|testing)|node_modules/(next|react))',
    ),
    forbid('workers-below', '^src/workers', '^src/(server|ui|app|testing)'),
    forbid('server-without-ui', '^src/server', '^src/(ui|app|testing)'),
    forbid('ui-without-server', '^src/ui', '^(src/(server|app|testing)|node_modules/better-sqlite3)'),
    forbid('one-face-a-stage', '^src/(catalogue|drawings|workers|server|ui|app)', `${ROOMS}(?!index\\.ts$)`),
    {
      name: 'one-face-inside-core',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: `${ROOMS}(?!index\\.ts$|plan\\.ts$)`,
        pathNot: '^src/core/$1/',
      },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    forbid('no-tests-in-the-product', '^src/(core|catalogue|drawings|server|ui|app)', '\\.test\\.tsx?$'),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
}

export default rules
