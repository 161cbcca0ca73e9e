/** Returns the size of a part as it is stamped or bought: "0.9 mm", "1.0 mm", "13 mm". @param value mm */
export const sizeInMm = (value: number): string => `${value < 3 ? value.toFixed(1) : Number(value.toFixed(1))} mm`;

/** Returns a length as a rule gives it: tenths up to 3 mm, whole ones from there. @param value mm */
export const lengthInMm = (value: number): string => `${Number(value.toFixed(value < 3 ? 1 : 0))} mm`;
