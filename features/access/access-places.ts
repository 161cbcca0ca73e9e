/** The places of coming in, fetched together: what two of them share would be fetched with the first load otherwise. */
export { DevicesPlace } from './DevicesPlace';
export { JoinPlace } from './JoinPlace';
export { PeoplePlace } from './PeoplePlace';
export { TrustPlace } from './TrustPlace';
