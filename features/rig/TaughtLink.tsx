import { Link } from 'expo-router';
import { Pressable } from 'react-native';
import { Words } from '@/ui/Words';
import { learnedWords } from '../shared/machine-words';
import { useTeaching } from '../shared/use-records';

/** The way to what a rig has taught, with the gist of it. */
export function TaughtLink({ rigId }: { rigId: string }) {
  const { data } = useTeaching(rigId);
  const gist =
    data === undefined || data.steps.length === 0
      ? 'Nothing yet: judged beads will tell.'
      : (learnedWords(data.machine) ?? 'Its figures are as it shows them.');
  return (
    <Link href={{ pathname: '/rig/taught/[rigId]', params: { rigId } }} asChild>
      <Pressable role="link" className="min-h-14 justify-center gap-1 rounded-md bg-plate p-4">
        <Words strong>What it has taught</Words>
        <Words className="text-faint">{gist}</Words>
      </Pressable>
    </Link>
  );
}
