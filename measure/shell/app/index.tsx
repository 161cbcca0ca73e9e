import { useQuery } from '@tanstack/react-query';
import { Pressable, Text, View } from 'react-native';

/** One button that can be pressed once one request has been answered. */
export default function Shell() {
  const { data } = useQuery({
    queryKey: ['health'],
    queryFn: async () => (await fetch('/api/health')).json() as Promise<{ ok: boolean }>,
  });
  return (
    <View className="flex-1 p-4">
      <Pressable role="button" aria-disabled={data === undefined} disabled={data === undefined} className="p-4">
        <Text className="text-xl">Log bead 1</Text>
      </Pressable>
    </View>
  );
}
