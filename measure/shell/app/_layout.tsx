import '../global.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Slot } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';

const client = new QueryClient();

/** The same stack as the product's, with nothing of the product in it: what first load is measured against. */
export default function Layout() {
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={client}>
        <Slot />
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}
