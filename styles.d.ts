/** Style sheets are imported for what they do, not for a value. */
declare module '*.css';
