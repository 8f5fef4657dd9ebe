import type { Problem } from '../../result/result';
import { FALLBACK_FAMILIES, featureName, keptApart, offersFeature, type FontShelf, type Typeface } from '../../type';
import { waiting } from './anchors';
import type { FlatText } from './flat-text';
import type { Lettering } from './schema';

const listed = (letters: readonly string[]): string => {
  const shown = letters.slice(0, 12).map((letter) => keptApart(`“${letter}”`));
  return letters.length > shown.length ? `${shown.join(', ')} and ${letters.length - shown.length} more` : shown.join(', ');
};

const lendable = (fonts: FontShelf, id: string, letters: readonly string[]): boolean => {
  const found = fonts.find({ family: id, style: 'normal', axes: {} });
  return found.ok && letters.every((letter) => [...letter].every((character) => found.value.covers(character.codePointAt(0) as number)));
};

/** Scripts without their own second form: what is asked of a feature that a font does not have. */
function featureNotices(part: Lettering, face: Typeface, family: string): readonly Problem[] {
  const smallCaps = part.case === 'small-caps' ? ['smcp'] : [];
  const asked = new Set([
    ...smallCaps,
    ...Object.keys(part.features),
    ...part.letters.flatMap(({ font, features }) => (font ? [] : Object.keys(features ?? {}))),
  ]);
  const lacking = [...asked].filter((tag) => !offersFeature(face, tag));
  if (lacking.length === 0) return [];
  return [
    {
      code: 'feature-missing',
      message: `${family} has no ${lacking.map(featureName).join(', no ')}; the letters stay as they are.`,
      fix: 'Choose a font that has it, or switch it off.',
    },
  ];
}

function axisNotices(part: Lettering, face: Typeface, family: string): readonly Problem[] {
  return Object.entries(part.font.axes).flatMap(([tag, value]): readonly Problem[] => {
    const axis = face.axes.find((each) => each.tag === tag);
    // A weight chooses among a family's static faces, so that it needs no axis.
    if (!axis) return tag === 'wght' ? [] : [{ code: 'axis-missing', message: `${family} has no axis “${tag}”; it is left out.` }];
    if (value >= axis.min && value <= axis.max) return [];
    const end = value < axis.min ? axis.min : axis.max;
    return [{ code: 'axis-clamped', message: `“${tag}” of ${family} goes from ${axis.min} to ${axis.max}; ${value} is taken as ${end}.` }];
  });
}

/** What the designer should know about a lettering. */
export function noticesOf(part: Lettering, text: FlatText, face: Typeface, fonts: FontShelf): readonly Problem[] {
  if (part.text.trim() === '') return [{ code: 'empty-text', message: 'This lettering has no text yet.', fix: 'Type the name.' }];
  const family = fonts.family(part.font.family)?.name ?? part.font.family;
  const removed: readonly Problem[] = fonts.family(part.font.family)?.removed
    ? [
        {
          code: 'font-removed',
          message: `${family} was removed from this brand; this lettering keeps its picture.`,
          fix: 'Choose another font, or bring it back in the type room.',
        },
      ]
    : [];
  const notices: Problem[] = [...removed, ...featureNotices(part, face, family), ...axisNotices(part, face, family)];
  if (text.missing.length > 0) {
    const lender = FALLBACK_FAMILIES.find((id) => lendable(fonts, id, text.missing));
    notices.push({
      code: 'letters-missing',
      message: `${family} has no ${listed(text.missing)}; ${text.missing.length === 1 ? 'it is' : 'they are'} left out.`,
      ...(lender
        ? { fix: `Borrow from ${fonts.family(lender)?.name ?? lender}`, path: ['fallback', lender] }
        : { fix: 'Choose or bring in a font that has them, or leave these letters out.' }),
    });
  }
  if (text.opened.length > 0)
    notices.push({
      code: 'ligature-opened',
      message: `${listed(text.opened)} stand${text.opened.length === 1 ? 's' : ''} as single letters, because something is done inside.`,
    });
  const gone = waiting(part);
  if (gone.length > 0)
    notices.push({
      code: 'adjustments-waiting',
      message: `${gone.length === 1 ? 'One adjustment waits' : `${gone.length} adjustments wait`} for letters that are not in the text now (${listed([...new Set(gone)])}).`,
      fix: 'Forget them',
      path: ['forget'],
    });
  return notices;
}
