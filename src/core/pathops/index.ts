/** Combining outlines. Kept apart from `$core/index`, because it brings WebAssembly: only workers, the server and tests need it. */
export { areaByNesting, areaOfRegion, bandFlattened, combineFlattened, growFlattened, weldFlattened } from './flattened';
export { checkedAlgebra } from './checked';
export { flattenedAlgebra } from './flattened-algebra';
export { openPathAlgebra } from './open-path-algebra';
