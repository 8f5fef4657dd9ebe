import { compose } from '../geometry';
import { placeAt, placing, type Place } from '../marks/part-base';

/** A place counted in another one, as it is counted outside of that. */
export const composePlaces = (outer: Place, inner: Place): Place => placeAt(compose(placing(outer), placing(inner)));
