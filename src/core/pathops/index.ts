/** Combining outlines. Kept apart from `$core/index`, because it brings WebAssembly: only workers, the server and tests need it. */
export { combineFlattened, weldFlattened } from './flattened';
export { openPathAlgebra } from './open-path-algebra';
