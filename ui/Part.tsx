import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Heading } from './Words';

/** A part of a form under its own heading. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-2">
      <Heading level={2} className="text-base">
        {title}
      </Heading>
      {children}
    </View>
  );
}
