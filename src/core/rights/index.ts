export { LICENSE_NAMES, licenseNameOf, LICENSES, termsOf, type LicenseName, type LicenseTerms } from './licenses';
