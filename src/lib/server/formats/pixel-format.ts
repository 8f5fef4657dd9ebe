import { toSvg } from '$core/index';
import type { Encoding } from '../pixels/encoders';
import { inPixels } from '../pixels/in-pixels';
import { finerOf } from '../pixels/rendered';
import type { FileOrder, Format } from './format';
import { embedded, framed, rightsIn } from './framed';
import type { PictureSubject } from './subject';

/** A file of pixels on the canvas asked for: the mark is drawn here, and rendered and written in the thread that does nothing but pixels. */
export async function pixelFile(as: Encoding, subject: PictureSubject, order: FileOrder): Promise<Uint8Array> {
  const { mark, drawing, frame } = await framed(subject, order, true);
  const { box, widthPx, heightPx, dotsPerInch } = frame;
  const finer = finerOf(frame);
  const pictureAddress = await embedded(drawing, subject.ownPictures, (finer * widthPx) / (box.right - box.left));
  return inPixels('written', {
    as,
    svg: toSvg(drawing, { box, title: subject.title, widthPx, heightPx, pictureAddress }),
    finer,
    widthPx,
    ground: order.ground,
    exact: order.exact,
    dpi: order.canvas.dpi,
    dotsPerInch,
    rights: rightsIn(subject, mark),
  });
}

/** A format of pixels, in which a mark is drawn on the canvas asked for. */
export const pixelFormat = (as: Encoding): Format => ({ make: (subject, order) => pixelFile(as, subject, order) });
