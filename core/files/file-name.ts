/** A name for a file, of a title: its letters and figures with hyphens between them. */
export const fileNameOf = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'coupon';
