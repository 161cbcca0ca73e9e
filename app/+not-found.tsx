import { useRouter } from 'expo-router';
import { StateNote } from '@/ui/State';

export default function NotFound() {
  const router = useRouter();
  return (
    <StateNote
      title="Nothing here"
      text="There is no page at this address."
      action={{ label: 'To the bench', onPress: () => router.replace('/') }}
    />
  );
}
