import { useColorScheme } from 'react-native';

/** Colours for drawings and icons, which take no class names; the same tones as the theme's. */
export function useInk(on: 'ground' | 'act' = 'ground'): string {
  const dark = useColorScheme() === 'dark';
  if (on === 'act') return dark ? '#0c181e' : '#faf9f6';
  return dark ? '#f4f1e8' : '#1c1b18';
}
