import { MM_PER_INCH, toSvg } from '$core/index';
import type { Format } from './format';
import { embedded, framed, rightsIn } from './framed';

/** Outlines, with the rights among the metadata. */
export const svg: Format = {
  make: async (subject, order) => {
    const { mark, drawing, frame } = await framed(subject, order, false);
    const pictureAddress = await embedded(drawing, subject.ownPictures);
    const size =
      order.canvas.unit === 'px'
        ? { widthPx: frame.widthPx, heightPx: frame.heightPx }
        : { widthPx: frame.widthIn * MM_PER_INCH, heightPx: frame.heightIn * MM_PER_INCH, unit: 'mm' as const };
    return Buffer.from(
      toSvg(drawing, {
        box: frame.box,
        title: subject.title,
        ...size,
        rights: rightsIn(subject, mark),
        pictureAddress,
        ground: order.ground,
      }),
    );
  },
};
