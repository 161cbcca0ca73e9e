import { useColorScheme } from 'react-native';

/** Colours for drawings and icons, which take no class names; the same tones as the theme's. */
export function useInk(on: 'ground' | 'act' = 'ground'): string {
  const dark = useColorScheme() === 'dark';
  if (on === 'act') return dark ? '#0c181e' : '#faf9f6';
  return dark ? '#f4f1e8' : '#1c1b18';
}

/** The tones that a chart is drawn in. */
export type ChartInks = { ink: string; plate: string; edge: string; act: string };

const DAY: ChartInks = { ink: '#1c1b18', plate: '#faf9f6', edge: '#b0ab9e', act: '#1e4254' };
const NIGHT: ChartInks = { ink: '#f4f1e8', plate: '#222220', edge: '#585650', act: '#a8d0de' };

export const useChartInks = (): ChartInks => (useColorScheme() === 'dark' ? NIGHT : DAY);
