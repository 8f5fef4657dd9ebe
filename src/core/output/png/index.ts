export { dotsPerInchOf, withDensity, withoutDensity } from './density';
export { withText } from './text';
