/** From this width the places stand in a rail and things stand side by side. */
export const WIDE = 1000;
