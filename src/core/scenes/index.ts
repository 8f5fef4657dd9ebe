export { addSample, artPyramid, type ArtPyramid } from './art-pyramid';
export { composeScene, type Printed, type SceneLayers } from './compose';
export { inverse, project, squareTo, type Corner, type Homography } from './homography';
export { MOST_LIGHT, MOST_UV, PRINT_WAYS, readUvMap, resizedUvMap, sceneSchema, type PrintWay, type SceneFacts, type UvMap } from './scene';
export { goodsDeskSchema, type GoodsDesk, type ShownOnGoods } from './goods-desk';
