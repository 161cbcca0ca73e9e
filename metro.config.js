const { readdirSync } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

/** What computes in the workers: where a module is asked for anew with every call, an answer takes a quarter longer. */
const COMPUTING = ['arc', 'correction', 'diagnosis'];
const readAtOnce = COMPUTING.flatMap((name) => {
  const room = join(__dirname, 'core', name);
  return readdirSync(room, { recursive: true }).map((file) => [join(room, file), true]);
});

const config = getDefaultConfig(__dirname);
// Elsewhere a module is read when something in it is first used: on a phone most of the first load goes into reading modules.
config.transformer.getTransformOptions = async () => ({
  transform: { experimentalImportSupport: false, inlineRequires: { blockList: Object.fromEntries(readAtOnce) } },
});

module.exports = withNativeWind(config, { input: './ui/global.css' });
