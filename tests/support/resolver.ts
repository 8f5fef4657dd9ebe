import { readFileSync } from 'node:fs';
import { createResolver, type FontShelf, type Resolver } from '$core/index';
import { openPathAlgebra } from '$core/pathops';

/** The path library, opened once for a test file. */
export const paths = await openPathAlgebra(readFileSync('node_modules/pathkit-wasm/bin/pathkit.wasm'));

export const resolverOf = (shelf: FontShelf): Resolver => createResolver(shelf, paths);
