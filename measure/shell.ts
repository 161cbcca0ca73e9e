import { execFileSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');
const PLACE = join(ROOT, '.cache', 'shell');

/**
 * Builds the bare shell, the product's stack with an empty page, in a folder of its own.
 * @returns the folder of the built site
 */
export function buildShell(): string {
  rmSync(PLACE, { recursive: true, force: true });
  mkdirSync(PLACE, { recursive: true });
  cpSync(join(__dirname, 'shell'), PLACE, { recursive: true });
  for (const file of ['babel.config.js', 'app.json', 'tsconfig.json', 'package.json'])
    cpSync(join(ROOT, file), join(PLACE, file));
  cpSync(join(ROOT, 'public'), join(PLACE, 'public'), { recursive: true });
  symlinkSync(join(ROOT, 'node_modules'), join(PLACE, 'node_modules'));
  writeFileSync(
    join(PLACE, 'metro.config.js'),
    "const { getDefaultConfig } = require('expo/metro-config');\nconst { withNativeWind } = require('nativewind/metro');\nmodule.exports = withNativeWind(getDefaultConfig(__dirname), { input: './global.css' });\n",
  );
  writeFileSync(
    join(PLACE, 'tailwind.config.js'),
    "module.exports = { content: ['./app/**/*.tsx'], presets: [require('nativewind/preset')] };\n",
  );
  execFileSync(join(ROOT, 'node_modules', '.bin', 'expo'), ['export', '--platform', 'web', '--output-dir', 'dist'], {
    cwd: PLACE,
    env: { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', NODE_ENV: 'production' },
    stdio: 'pipe',
  });
  const site = join(PLACE, 'dist');
  if (!existsSync(join(site, 'index.html'))) throw new Error('the bare shell was not built');
  return site;
}
