/** A case whose figures are each possible, but not together. */
export class OutsideModel extends Error {}

/** More cases wait than can be worked out soon. */
export class TooBusy extends Error {}
