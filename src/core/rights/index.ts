export { LICENSE_NAMES, LICENSES, termsOf, type LicenseName, type LicenseTerms } from './licenses';
