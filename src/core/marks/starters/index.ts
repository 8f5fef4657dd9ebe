import { bannerWordsStarters } from './banner-words';
import { freeCurveStarters } from './free-curve';
import { letteringStarters } from './lettering';
import { ringTextStarters } from './ring-text';
import { secondLineStarters } from './second-line';
import { shapeStarters } from './shapes';
import type { Starter, StarterContext } from './starter';

/** Everything that can be added without asking for anything; a new one is one file beside this and one row here. */
const STARTERS = [letteringStarters, secondLineStarters, ringTextStarters, bannerWordsStarters, freeCurveStarters, shapeStarters] as const;

/** What can be added to a mark as it stands. */
export const startersFor = (context: StarterContext): readonly Starter[] => STARTERS.flatMap((starters) => starters(context));

export { bannerWords } from './banner-words';
export { contactLines, contactStarts, type ContactLineStart } from './contact-lines';
export { nameLettering, newLettering } from './lettering';
export { linkStarters } from './links';
export { followingRecipe, initialRecipe } from './new-marks';
export { ringTexts } from './ring-text';
export { secondLine } from './second-line';
export { isBacking, liesBehind, newShape } from './shapes';
export { withStarted, withTexts, type Started, type Starter, type StarterContext } from './starter';
