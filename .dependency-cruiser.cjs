// The import rules of the house (docs/architecture.md): each layer, each folder of the core and each station may import only downwards.
const core = 'packages/core/src';
const SHARED = ['kernel', 'units', 'crops', 'grain', 'ledger', 'records'];
const STATIONS = ['fields', 'cut', 'haul', 'dry', 'store', 'sell', 'trace', 'shed', 'today', 'cab'];
/** What a folder of the core may import beside itself. Between stations: only where the way of the grain leads there. */
const CORE = {
  kernel: [],
  units: ['kernel'],
  crops: ['kernel', 'units'],
  grain: ['kernel', 'units', 'crops'],
  ledger: ['kernel', 'units', 'crops', 'grain'],
  records: ['kernel', 'units', 'crops', 'grain', 'ledger'],
  cut: SHARED,
  dry: SHARED,
  // Whether the rest fits asks what stands, what it costs to dry and what it brings.
  store: [...SHARED, 'fields', 'dry', 'sell'],
  sell: SHARED,
  shed: SHARED,
  trace: [...SHARED, 'fields', 'store', 'sell'],
  fields: [...SHARED, 'cut', 'dry', 'sell'],
  haul: [...SHARED, 'fields', 'cut', 'dry', 'store', 'sell'],
  today: [...SHARED, ...STATIONS],
  cab: [...SHARED, ...STATIONS],
};
/** Simulations: none of them may move grain, so none imports the ledger. */
const SIMULATIONS = `^${core}/(dry/in-bin|haul/(day|agenda|hauling-day|trucks-worth|chain|queue)|fields/(bean-day|drydown|field-forecast)|sell/allocation)\\.ts$`;
const folders = Object.entries(CORE).map(([folder, below]) => ({
  name: `core-${folder}`,
  comment: `${folder} imports only ${below.join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^${core}/${folder}/` },
  to: { path: `^${core}/`, pathNot: `^${core}/(${[folder, ...below].join('|')})/` },
}));
const rule = (name, from, to, extra = {}) => ({
  name,
  severity: 'error',
  from: { path: from },
  to: { ...to },
  ...extra,
});
/** Folders that must not lead back to each other: a circle of folders is a circle even where no file closes it. */
const noWayBack = (name, folder, others) => rule(name, folder, { path: others });

module.exports = {
  forbidden: [
    ...folders,
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    {
      name: 'no-circles-of-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^(packages|apps|demo)/' },
      to: { circular: true, path: '^(packages|apps|demo)/' },
    },
    rule('core-is-pure', `^${core}/`, {
      path: '^(apps|demo|e2e|packages/contract|packages/core/dist)/|node_modules/|^(fs|path|crypto|node:)',
      // Sums and nothing else, the same in a browser and on a server.
      pathNot: 'node_modules/(@noble/hashes|suncalc)/',
    }),
    rule('no-simulation-imports-the-ledger', SIMULATIONS, { path: `^${core}/ledger/` }),
    rule('solver-knows-the-core-only', '^packages/core/solver/', {
      path: '^(apps|demo|e2e|packages/contract)/|node_modules/',
      pathNot: 'node_modules/highs/',
    }),
    rule('contract-imports-core-only', '^packages/contract/', { path: '^(apps|demo|e2e)/' }),
    rule('devices-import-core-and-contract', '^apps/devices/', { path: '^(apps/(web|server)|demo|e2e)/' }),
    rule('server-not-web', '^apps/server/', { path: '^(apps/web|e2e)/' }),
    {
      name: 'web-knows-the-contract-as-types',
      comment: 'its classes bring the whole server framework along',
      severity: 'error',
      from: { path: '^apps/web/src/' },
      to: { path: '^packages/contract/', pathNot: '/(words|password)\\.', dependencyTypesNot: ['type-only'] },
    },
    rule('web-not-server', '^apps/web/', { path: '^(apps/server|demo|e2e)/' }),
    rule('demo-imports-core-and-contract', '^demo/', { path: '^(apps|e2e)/' }),
    rule('ui-knows-nothing-of-ours', '^apps/web/src/ui/', {
      path: '^(apps/web/src|packages|node_modules/@fanega)/',
      // How a plain number is said is nothing of the trade.
      pathNot: '^apps/web/src/(ui/|quantity/number)',
    }),
    rule('quantity-knows-the-cores-units', '^apps/web/src/quantity/', {
      path: '^apps/web/src/',
      pathNot: '^apps/web/src/quantity/',
    }),
    {
      name: 'a-station-no-other',
      severity: 'error',
      from: { path: '^apps/web/src/stations/([^/]+)/' },
      to: { path: '^apps/web/src/stations/', pathNot: '^apps/web/src/stations/$1/' },
    },
    noWayBack('widgets-below-stations', '^apps/web/src/widgets/', '^apps/web/src/(stations|app)/'),
    noWayBack('data-below-all', '^apps/web/src/data/', '^apps/web/src/(stations|app|widgets|ui)/'),
    {
      name: 'a-feature-by-its-index',
      severity: 'error',
      from: { path: '^apps/server/src/features/([^/]+)/' },
      to: { path: '^apps/server/src/features/', pathNot: ['^apps/server/src/features/$1/', '/index\\.ts$'] },
    },
    {
      name: 'typeorm-in-repositories',
      comment: 'entities, repositories, migrations and the platform know the tables; services and controllers do not',
      severity: 'error',
      from: {
        path: '^apps/server/src/features/',
        pathNot: '\\.(entity|repository)\\.ts$',
      },
      to: { path: '(^|/)node_modules/typeorm/' },
    },
    rule('platform-below-features', '^apps/server/src/platform/', { path: '^apps/server/src/features/' }),
  ],
  options: {
    doNotFollow: { path: 'node_modules|dist' },
    exclude: { path: '\\.spec\\.tsx?$' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.d.ts'],
    },
  },
};
