import { Link, type Href } from 'expo-router';
import { Pressable } from 'react-native';
import { Words } from '@/ui/Words';

/** The way to a part of a rig, with the gist of it. */
export function RigLink({ href, title, gist }: { href: Href; title: string; gist: string }) {
  return (
    <Link href={href} asChild>
      <Pressable role="link" className="min-h-14 justify-center gap-1 rounded-md bg-plate p-4">
        <Words strong>{title}</Words>
        <Words className="text-faint">{gist}</Words>
      </Pressable>
    </Link>
  );
}
