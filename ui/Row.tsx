import { View, type ViewProps } from 'react-native';

/** Children side by side. */
export function Row({ className = '', ...props }: ViewProps & { className?: string }) {
  return <View className={`flex-row ${className}`} {...props} />;
}
