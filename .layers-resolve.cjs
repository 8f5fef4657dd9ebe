/** Tells the layer check where the aliases of svelte.config.js lead. */
module.exports = {
  resolve: { alias: { $core: `${__dirname}/src/core`, $lib: `${__dirname}/src/lib`, $workers: `${__dirname}/src/workers` } },
};
