/** The arrows of the house: one way, held in every run of the tests. */
const { readdirSync } = require('fs');

/** Every folder of core, so that a new one is held to the rules without being named; units and records are common ground, season puts areas together. */
const areas = readdirSync('src/lib/core').filter((name) => !['season', 'units', 'record'].includes(name));

/** The rooms of season, and the rooms each may look into: the way of the data, without a circle. */
const ROOMS = {
  facts: [],
  laid: ['facts'],
  climb: ['facts', 'laid'],
  lay: ['facts', 'laid', 'climb'],
  day: ['facts', 'laid', 'climb'],
  joint: ['facts', 'laid'],
  today: ['facts', 'laid', 'lay', 'joint', 'day'],
  scratch: ['facts', 'climb', 'lay', 'joint']
};
const rooms = readdirSync('src/lib/core/season', { withFileTypes: true }).filter((entry) =>
  entry.isDirectory()
);

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      comment: 'core imports core and general libraries only',
      severity: 'error',
      from: { path: '^src/lib/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/', pathNot: '^src/lib/core/' }
    },
    {
      name: 'core-touches-no-machine',
      severity: 'error',
      from: { path: '^src/lib/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] }
    },
    ...areas.map((area) => ({
      name: `areas-meet-in-season-${area}`,
      comment: 'areas of core do not import each other; units and records are common ground',
      severity: 'error',
      from: { path: `^src/lib/core/${area}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^src/lib/core/', pathNot: `^src/lib/core/(${area}|units|record)/` }
    })),
    {
      name: 'records-stand-below',
      comment:
        'a record knows units and nothing that reads it; a page that shows its words alone carries no schema',
      severity: 'error',
      from: { path: '^src/lib/core/record/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/lib/core/', pathNot: '^src/lib/core/(record|units)/' }
    },
    {
      name: 'shown-without-schema',
      comment:
        'what pages show and compute takes types of records and their words: the schemas are for who reads what comes in',
      severity: 'error',
      from: { path: '^src/lib/(core|components|state)/', pathNot: '^src/lib/core/record/|\\.test\\.ts$' },
      to: {
        path: '^src/lib/core/record/',
        pathNot: '/(family|lines|words|immutable)\\.ts$',
        dependencyTypesNot: ['type-only']
      }
    },
    ...rooms.map(({ name }) => ({
      name: `rooms-of-season-${name}`,
      comment: 'what a room of season may look into; a new room has to be given its place here',
      severity: 'error',
      from: { path: `^src/lib/core/season/${name}/`, pathNot: '\\.test\\.ts$' },
      to: {
        path: '^src/lib/core/season/',
        pathNot: `^src/lib/core/season/(${[name, ...(ROOMS[name] ?? [])].join('|')})/`
      }
    })),
    {
      name: 'only-db-and-store-know-sqlite',
      severity: 'error',
      from: { pathNot: '^src/lib/server/(db|store)/' },
      to: { path: 'better-sqlite3' }
    },
    {
      name: 'interface-knows-no-server',
      severity: 'error',
      from: { path: '^src/lib/(components|state|workers|schema)/' },
      to: { path: '^src/lib/server/' }
    },
    {
      name: 'routes-call-use-cases',
      severity: 'error',
      from: { path: '^src/routes/' },
      to: { path: '^src/lib/server/(store|db)/' }
    },
    {
      name: 'stores-know-no-use-case',
      severity: 'error',
      from: { path: '^src/lib/server/(store|db)/' },
      to: { path: '^src/lib/server/usecase/' }
    }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    webpackConfig: { fileName: './depcruise.resolve.cjs' },
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.svelte', '.d.ts'] }
  }
};
