export { pathData, written } from './path-data';
export { dotsPerInchOf, withDensity } from './png-density';
export { LARGEST_PICTURE_PX, rasterFrame, roundFrame, SMALLEST_PICTURE_PX, type PictureSize, type RasterFrame } from './raster-frame';
export { newsOf, screenPicture, withNews, type PictureNews, type ScreenPicture } from './screen';
export { groupMarkup, groupPieces, toSvg, type GroupPieces, type PictureAddress, type SvgOptions } from './svg';
export { withText } from './png-text';
