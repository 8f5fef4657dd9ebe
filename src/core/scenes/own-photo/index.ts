export { colorArea } from './color-area';
export { composeOnPhoto } from './compose-photo';
export { handleWeights, meshMap, meshPlace } from './mesh-map';
export {
  grayUnder,
  LIGHT_SIDES,
  MESH_SIDE,
  ownGoodsId,
  ownGoodsSchema,
  ownScene,
  ownSceneName,
  placeRatio,
  startOwnGoods,
  type LightSide,
  type OwnGoods,
} from './own-goods';
export { photoLuminance, photoShade, photoWhite, shiftedByFolds, softened } from './photo-light';
