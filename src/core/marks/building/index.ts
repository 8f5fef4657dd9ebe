/** Builders: compositions that stay live, out of ordinary parts. */
export { builtParts, hearsTheSame, rebuilt } from './build';
export type { BuildContext, BuilderControl, BuilderStart, Made } from './builder';
export { brought, heardFrom, heardNow } from './brought';
export type { Built, Heard } from './built';
export {
  BUILDER_NAMES,
  builderLimits,
  builderRow,
  fontsOfBuilt,
  isBuilder,
  madeBy,
  numbersOf,
  startsOf,
  type BuilderName,
  type BuilderRow,
} from './registry';
