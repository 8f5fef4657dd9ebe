/** The layers of docs/architecture.md, as rules. Dependencies point down only: routes → lib → workers → core. */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment: 'The core has no interface, no server and no Node.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: {
        pathNot: [
          '^src/core/',
          '^node_modules/(zod|culori|fflate|harfbuzzjs|bidi-js|linebreak|hyphen|woff2-encoder|pathkit-wasm|clipper2-ts|polylabel|saxes|svgpath|d3|@types)/',
        ],
      },
    },
    { name: 'core-knows-no-node', severity: 'error', from: { path: '^src/core/' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'workers-are-doors',
      comment: 'A worker calls the core and nothing else of ours.',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^src/(lib|routes)/' },
    },
    {
      name: 'server-stays-on-the-server',
      comment: 'Only server routes, server loads and hooks may reach $lib/server.',
      severity: 'error',
      from: {
        path: '^src/',
        pathNot: [
          '^src/lib/server/',
          '\\+(page|layout)?\\.?server\\.ts$',
          '\\+server\\.ts$',
          '\\+page\\.server\\.ts$',
          '\\+layout\\.server\\.ts$',
          '^src/(hooks\\.server|app\\.d)\\.ts$',
        ],
      },
      to: { path: '^src/lib/server/' },
    },
    {
      name: 'server-draws-no-screens',
      severity: 'error',
      from: { path: '^src/lib/server/' },
      // Addresses are what pages and the server have to say alike.
      to: { path: '^src/(lib/(?!server|addresses)|routes|workers)' },
    },
    {
      name: 'pixels-are-light',
      comment: 'The thread for pixels loads codecs and nothing else: what it knows is looked through with every picture.',
      severity: 'error',
      from: { path: '^src/lib/server/pixels/', pathNot: '/in-pixels\\.ts$' },
      to: { path: ['^src/core/index', '^src/lib/server/(?!pixels/|heavy/manners)'] },
    },
    { name: 'lib-knows-no-routes', severity: 'error', from: { path: '^src/lib/' }, to: { path: '^src/routes/' } },
    {
      name: 'rooms-stand-apart',
      comment: 'A room may use lib/ui and lib/client, never another room.',
      severity: 'error',
      from: { path: '^src/lib/(studio|brief|type|marks|family|color|proof|photos|sheet|handover|library)/' },
      to: { path: '^src/lib/(studio|brief|type|marks|family|color|proof|photos|sheet|handover|library)/', pathNot: '^src/lib/$1/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: ['^\\$app/', '^\\$env/', '\\?url$', '\\./\\$types'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    webpackConfig: { fileName: '.layers-resolve.cjs' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types', 'svelte'],
      extensions: ['.ts', '.js', '.mjs', '.svelte', '.svelte.ts', '.json'],
    },
  },
};
