// Imports point downwards only: app → ui, server, core · ui → core · server → core · core → nothing above it.
const storey = (name, from, mayNot) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: mayNot },
})

/** Rooms of core: each may use those before it. */
const rooms = [
  'words',
  'names',
  'patterns',
  'kinds',
  'letters',
  'book',
  'expressions',
  'physical',
  'pairings',
  'rules',
  'sql',
  'opening',
  'records',
  'grid',
  'forms',
  'made-up',
  'lists',
  'reports',
  'needs',
  'reading',
  'advice',
  'map',
  'chapters',
]

module.exports = {
  forbidden: [
    storey('core-stands-alone', '^core/', '^(app|ui|server|demo|workers|setup|scripts|tests|bench)/'),
    storey(
      'core-knows-no-platform',
      '^core/',
      '^(node:|fs$|path$|crypto$)|node_modules/(react|next|sequelize|mariadb|@tanstack|radix-ui)',
    ),
    storey('ui-only-core', '^ui/', '^(app|server|demo|setup|scripts|tests|bench)/'),
    storey('server-only-core', '^server/', '^(app|ui|demo|setup|scripts|tests|bench)/'),
    storey('app-not-aside', '^app/', '^(demo|setup|scripts|tests|bench)/'),
    storey('setup-by-itself', '^setup/', '^(app|ui|demo|scripts|tests|bench)/'),
    storey('commands-on-top', '^(bench|tests|demo)/', '^scripts/'),
    storey('workers-only-core', '^workers/', '^(app|ui|server|demo|setup|scripts|tests|bench)/'),
    {
      name: 'no-circles',
      severity: 'error',
      from: { pathNot: '^node_modules' },
      to: { circular: true },
    },
    ...rooms.map((room, at) =>
      storey(`core-${room}-in-order`, `^core/${room}/`, `^core/(?!(${rooms.slice(0, at + 1).join('|')})/)`),
    ),
    {
      name: 'rooms-have-a-place',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${rooms.join('|')})/` },
    },
    storey('live-reads-first', '^server/live/(?!index)[^/]+\\.ts$', '^server/live/(open|save|read)/'),
    storey('live-read-alone', '^server/live/read/', '^server/live/(open|save)/'),
    storey('live-open-on-read', '^server/live/open/', '^server/live/save/'),
    // A browser component may name the server's types, never run its code.
    {
      name: 'types-only-from-server',
      severity: 'error',
      from: { path: '^app/.*\\.tsx$', pathNot: '(page|layout)\\.tsx$' },
      to: { path: '^server/', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next/' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
