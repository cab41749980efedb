// Imports point downwards only: app → ui, server, core · ui → core · server → core · core → nothing above it.
const storey = (name, from, mayNot) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: mayNot },
})

module.exports = {
  forbidden: [
    storey('core-stands-alone', '^core/', '^(app|ui|server|demo|workers|scripts|tests|bench)/'),
    storey(
      'core-knows-no-platform',
      '^core/',
      '^(node:|fs$|path$|crypto$)|node_modules/(react|next|sequelize|mariadb|@tanstack|radix-ui)',
    ),
    storey('ui-only-core', '^ui/', '^(app|server|demo|scripts|tests|bench)/'),
    storey('server-only-core', '^server/', '^(app|ui|demo|scripts|tests|bench)/'),
    storey('app-not-aside', '^app/', '^(demo|scripts|tests|bench)/'),
    storey('workers-only-core', '^workers/', '^(app|ui|server|demo|scripts|tests|bench)/'),
    {
      name: 'no-circles',
      severity: 'error',
      from: { pathNot: '^node_modules' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    // Rooms of core in the order in which they may use one another.
    storey('words-first', '^core/words/', '^core/(?!words/)'),
    storey('names-on-words', '^core/names/', '^core/(?!words/|names/)'),
    storey('patterns-on-words', '^core/patterns/', '^core/(?!words/|patterns/)'),
    storey('kinds-on-names', '^core/kinds/', '^core/(?!words/|names/|patterns/|kinds/)'),
    storey('book-on-kinds', '^core/book/', '^core/(?!words/|names/|patterns/|kinds/|book/)'),
    storey(
      'no-lists-below',
      '^core/(names|opening|records|pairings|needs|rules|advice)/',
      '^core/(lists|map|chapters)/',
    ),
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
