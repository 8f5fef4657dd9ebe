import { toSvg } from '$core/index';
import type { Format } from './format';
import { embedded, frame, rightsIn } from './framed';

/** Outlines, with the rights among the metadata. */
export const svg: Format = {
  label: 'SVG, outlines',
  about: 'SVG holds outlines only, so no font is needed to open it.',
  mime: 'image/svg+xml',
  pixels: false,
  clear: true,
  make: async (subject) => {
    const { mark, box } = await frame(subject);
    const pictureAddress = await embedded(mark, subject.ownPictures);
    return Buffer.from(toSvg(mark.drawing, { box, title: subject.title, rights: rightsIn(subject, mark), pictureAddress }));
  },
};
