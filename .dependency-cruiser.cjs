// The import rules of the design: each layer and each folder of the core may import only downwards.
const core = 'packages/core/src';
/** A folder of the core may import itself and these. */
const CORE = {
  kernel: [],
  units: ['kernel'],
  crops: ['kernel', 'units'],
  moisture: ['kernel', 'units', 'crops'],
  air: ['kernel', 'units', 'crops', 'moisture'],
  airflow: ['kernel', 'units', 'crops', 'moisture', 'air'],
  keeping: ['kernel', 'units', 'crops', 'moisture', 'air'],
  ledger: ['kernel', 'units', 'crops', 'moisture', 'air'],
  harvest: ['kernel', 'units', 'crops', 'moisture', 'air', 'airflow', 'keeping'],
  drying: ['kernel', 'units', 'crops', 'moisture', 'air', 'airflow', 'keeping'],
  storage: ['kernel', 'units', 'crops', 'moisture', 'air', 'airflow', 'keeping'],
  selling: ['kernel', 'units', 'crops', 'moisture', 'air', 'airflow', 'keeping'],
  shed: ['kernel', 'units', 'crops'],
  trace: ['kernel', 'units', 'crops', 'moisture', 'air', 'ledger'],
  hauling: ['kernel', 'units', 'crops', 'moisture', 'air', 'airflow', 'keeping', 'harvest', 'drying', 'storage'],
};
const folders = Object.entries(CORE).map(([folder, below]) => ({
  name: `core-${folder}`,
  comment: `${folder} imports only ${below.join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^${core}/${folder}/` },
  to: { path: `^${core}/`, pathNot: `^${core}/(${[folder, ...below].join('|')})/` },
}));
const rule = (name, from, to, extra = {}) => ({ name, severity: 'error', from: { path: from }, to: { ...to }, ...extra });

module.exports = {
  forbidden: [
    ...folders,
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    rule('core-is-pure', `^${core}/`, { path: '^(apps|demo|e2e|packages/contract|packages/core/dist)/|node_modules/|^(fs|path|crypto|node:)' }),
    rule('solver-knows-the-core-only', '^packages/core/solver/', { path: '^(apps|demo|e2e|packages/contract)/|node_modules/', pathNot: 'node_modules/highs/' }),
    rule('contract-imports-core-only', '^packages/contract/', { path: '^(apps|demo|e2e)/' }),
    rule('devices-import-core-and-contract', '^apps/devices/', { path: '^(apps/(web|server)|demo|e2e)/' }),
    rule('server-not-web', '^apps/server/', { path: '^(apps/web|e2e)/' }),
    rule('web-not-server', '^apps/web/', { path: '^(apps/server|demo|e2e)/' }),
    rule('demo-imports-core-and-contract', '^demo/', { path: '^(apps|e2e)/' }),
    rule('ui-knows-nothing-of-ours', '^apps/web/src/ui/', { path: '^(apps/web/src|packages|node_modules/@fanega)/', pathNot: '^apps/web/src/ui/' }),
    { name: 'a-station-no-other', severity: 'error', from: { path: '^apps/web/src/stations/([^/]+)/' }, to: { path: '^apps/web/src/stations/', pathNot: '^apps/web/src/stations/$1/' } },
    rule('widgets-below-stations', '^apps/web/src/widgets/', { path: '^apps/web/src/(stations|app)/' }),
    rule('data-below-all', '^apps/web/src/data/', { path: '^apps/web/src/(stations|app|widgets|record|ui)/' }),
    rule('outbox-knows-the-api-only', '^apps/web/src/outbox/', { path: '^apps/web/src/', pathNot: '^apps/web/src/(outbox/|data/api)' }),
    { name: 'a-feature-by-its-index', severity: 'error', from: { path: '^apps/server/src/features/([^/]+)/' }, to: { path: '^apps/server/src/features/', pathNot: ['^apps/server/src/features/$1/', '/index\\.ts$'] } },
    rule('platform-below-features', '^apps/server/src/platform/', { path: '^apps/server/src/features/' }),
  ],
  options: {
    doNotFollow: { path: 'node_modules|dist' },
    exclude: { path: '\\.spec\\.tsx?$' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.tsx', '.js', '.mjs', '.d.ts'] },
  },
};
