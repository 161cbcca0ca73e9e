import '../ui/global.css';
import { Barlow_500Medium } from '@expo-google-fonts/barlow/500Medium';
import { Barlow_700Bold } from '@expo-google-fonts/barlow/700Bold';
import { QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { startAhead } from '@/features/bench/start-ahead';
import { recordsClient } from '@/client/records-client';
import { useWorkshopServer } from '@/client/use-workshop-server';
import { Shell } from '@/features/shell/Shell';

const client = recordsClient();
// Most visits begin on the bench.
if (globalThis.location?.pathname === '/') startAhead(client);

export { PlaceError as ErrorBoundary } from '@/features/shell/PlaceError';

export default function Layout() {
  // Words show at once in a fallback face and change when the fonts are there.
  useFonts({ Barlow_500Medium, Barlow_700Bold });
  useWorkshopServer(client);
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={client}>
        <Shell>
          <Slot />
        </Shell>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}
