/**
 * The places that are filled in, fetched together: they share the package that holds what is typed, and what two places
 * that are fetched apart share is fetched with the first page, which has no form.
 */
export { JobScreen } from './job/JobScreen';
export { RigDetail, RigPlace } from './machines/RigPlace';
