import type { ChartInks } from '@/ui/use-ink';

/** How every chart of the chart library looks: our type, our ink, thin level lines. */
export const chartLook = (inks: ChartInks) => ({
  backgroundGradientFromOpacity: 0,
  backgroundGradientToOpacity: 0,
  color: () => inks.edge,
  labelColor: () => inks.ink,
  decimalPlaces: 0,
  propsForLabels: { fontFamily: 'Barlow_500Medium', fontSize: 15 },
  propsForBackgroundLines: { strokeDasharray: '', strokeWidth: 0.5 },
});
