export { artPyramid, type ArtPyramid } from './art-pyramid';
export { composeScene, type SceneLayers } from './compose';
export { artOn, type Printed } from './laid-art';
export { inverse, project, squareTo, type Corner, type Homography } from './homography';
export { MOST_LIGHT, MOST_UV, PRINT_WAYS, readUvMap, resizedUvMap, sceneSchema, type PrintWay, type SceneFacts, type UvMap } from './scene';
export {
  dressingOnGoods,
  type GoodsAtHand,
  goodsDeskSchema,
  MOST_OWN,
  shownOnGoods,
  shownOnGoodsSchema,
  START_GOODS_SIZE,
  type GoodsDesk,
  type ShownOnGoods,
} from './goods-desk';
export * from './own-photo';
export { SHEET_GAP, sideBySide, type SheetCell, type SideBySide } from './side-by-side';
