import { ensureBuild, ensurePackages } from './prepare.mjs';

/** `npm run build`: builds the app into dist/ when its sources changed since the last time. */
ensurePackages();
ensureBuild();
