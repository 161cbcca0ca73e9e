/** Fixed ids, so that loading twice writes the same rows. @param kind 1 coupon, 2 bead, 3 setup, 4 job */
export const demoId = (kind: number, index: number): string =>
  `0190a000-0000-7000-80${String(kind).padStart(2, '0')}-${String(index).padStart(12, '0')}`;
