const FORMULAS =
  '^core/src/(hours|verdict|readiness|diagnosis|readings|torque|card|teardown|proof|money|parts|states)/';

/** Arrows point down only. Type-only imports count. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'units-import-nothing',
      severity: 'error',
      from: { path: '^core/src/units/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/src/units/' },
    },
    {
      name: 'catalogue-on-units-and-shapes',
      severity: 'error',
      from: { path: '^core/src/catalogue/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/', pathNot: '^core/src/(units|catalogue|typed)/' },
    },
    {
      name: 'formulas-know-shapes-only',
      severity: 'error',
      from: { path: FORMULAS, pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/(catalogue/(?!shapes/)|contracts/)' },
    },
    {
      name: 'log-and-fields-know-no-contract',
      severity: 'error',
      from: { path: '^core/src/(log|fields|states|figures)/' },
      to: { path: '^core/src/contracts/' },
    },
    {
      name: 'the-log-is-written-in-one-place',
      severity: 'error',
      from: { path: '^server/src/', pathNot: '^server/src/log/' },
      to: { path: '^server/src/log/(append|refreshReadiness)' },
    },
    {
      name: 'core-knows-no-outside',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(server|app)/|node_modules/(react|react-native|express|kysely|pg)/' },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    { name: 'server-and-app-apart', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    { name: 'app-and-server-apart', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    {
      name: 'use-cases-know-no-http',
      severity: 'error',
      from: { path: '^server/src/', pathNot: '^server/src/(http|standins|main|testing|.*\\.test)' },
      to: { path: '^server/src/http/|node_modules/express/' },
    },
    {
      name: 'design-knows-no-trade',
      severity: 'error',
      from: { path: '^app/src/design/' },
      to: { path: '^app/src/(features|api)/|^core/', pathNot: '^core/src/typed/' },
    },
    {
      name: 'features-by-their-index',
      severity: 'error',
      from: { path: '^app/src/features/([^/]+)/' },
      to: {
        path: '^app/src/features/([^/]+)/(?!index)',
        // Leaves that the first screen needs without all that stands beside them.
        pathNot: '^app/src/features/($1/|waiting/say)',
      },
    },
    {
      name: 'places-are-loaded-late',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/src/places/' },
      to: { path: '^app/src/places/(workshop|office)' },
    },
    {
      name: 'charts-are-loaded-late',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/src/charts/(Line|Bar)Chart' },
      to: { path: 'node_modules/react-native-gifted-charts/' },
    },
    {
      name: 'routes-are-thin',
      severity: 'error',
      from: { path: '^app/app/', pathNot: '_layout' },
      to: { path: '^app/src/api/|^core/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'app/tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.web.ts', '.ts', '.tsx', '.js', '.json'],
    },
  },
};
