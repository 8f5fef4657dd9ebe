import fc from 'fast-check';
import { DEEP } from './deep';

/**
 * Property tests (github.com/dubzzz/fast-check) try the same inputs at every run of `npm test`: a change is judged by what it does, not by
 * the day's draw. `npm run test:deep` draws anew each time; what it finds becomes an example of its property.
 */
if (!DEEP) fc.configureGlobal({ seed: 20_261_201 });

export default fc;
