import { useRouter, type ErrorBoundaryProps } from 'expo-router';
import { ScrollView } from 'react-native';
import { Button } from '@/ui/Press';
import { StateNote } from '@/ui/State';
import { Words } from '@/ui/Words';

/** Shows what stands in a place that broke: never a blank page, always a way on. The other places go on working. */
export function PlaceError({ error, retry }: ErrorBoundaryProps) {
  const router = useRouter();
  return (
    <ScrollView contentContainerClassName="gap-3 p-2">
      <StateNote
        title="This place broke"
        text="What you logged is kept on the workshop server, and what you tapped on this device. Try it again, or go on elsewhere."
        action={{ label: 'Try again', onPress: () => void retry() }}
      />
      <Button className="mx-4" label="To the log" onPress={() => router.replace('/log')} />
      <Words className="px-4 text-sm text-faint">{error.message}</Words>
    </ScrollView>
  );
}
