import { Link, usePathname } from 'expo-router';
import Ear from 'lucide-react-native/icons/ear';
import Hammer from 'lucide-react-native/icons/hammer';
import NotebookText from 'lucide-react-native/icons/notebook-text';
import PlugZap from 'lucide-react-native/icons/plug-zap';
import { lazy, Suspense, type ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { PERSON } from '@/client/stored/device-state';
import { useStoredPart } from '@/platform/stored';
import { Row } from '@/ui/Row';
import { Loading } from '@/ui/State';
import { useInk } from '@/ui/use-ink';
import { WIDE } from '@/ui/wide';
import { Words } from '@/ui/Words';
import { SignInNote } from './SignInNote';
import { ConflictNote } from './ConflictNote';
import { StorageNote } from './StorageNote';
import { UpdateNote } from './UpdateNote';
import { useServerMark } from './use-server-mark';

/** Fetched where somebody works with the device. */
const FollowPerson = lazy(() => import('../shared/FollowPerson'));

const PLACES = [
  { href: '/', label: 'Bench', within: ['/', '/job'], Icon: Hammer },
  { href: '/rig', label: 'Rig', within: ['/rig', '/devices', '/people', '/join', '/trust'], Icon: PlugZap },
  {
    href: '/log',
    label: 'Log',
    within: ['/log', '/coupon', '/waiting', '/proven', '/weld', '/levels'],
    Icon: NotebookText,
  },
  { href: '/school', label: 'School', within: ['/school'], Icon: Ear },
] as const;

function isHere(path: string, within: readonly string[]): boolean {
  return within.some((start) => (start === '/' ? path === '/' : path.startsWith(start)));
}

/** The page and its places: under it where the thumb is, in a rail at the left on a wide screen. */
export function Shell({ children }: { children: ReactNode }) {
  const { width } = useWindowDimensions();
  const person = useStoredPart(PERSON, (id) => id);
  const main = (
    <View role="main" className="min-h-0 min-w-0 flex-1">
      {person !== null && (
        <Suspense fallback={null}>
          <FollowPerson key={person} id={person} />
        </Suspense>
      )}
      <StorageNote />
      <SignInNote />
      <ConflictNote />
      <UpdateNote />
      <Suspense fallback={<Loading what="this place" />}>{children}</Suspense>
    </View>
  );
  if (width >= WIDE)
    return (
      <Row className="h-full flex-1 bg-ground">
        <Places rail />
        {main}
      </Row>
    );
  return (
    <View className="h-full flex-1 bg-ground">
      {main}
      <Places rail={false} />
    </View>
  );
}

function Places({ rail }: { rail: boolean }) {
  const path = usePathname();
  const ink = useInk();
  const mark = useServerMark();
  const frame = rail
    ? 'no-print w-[84px] flex-none gap-2 border-r-2 border-edge bg-ground pt-2'
    : 'no-print flex-row justify-center border-t-2 border-edge bg-ground';
  return (
    <View role="navigation" aria-label="Places" className={frame}>
      {PLACES.map(({ href, label, within, Icon }) => {
        const here = isHere(path, within);
        const edge = rail ? 'min-h-20 border-l-4' : 'min-h-14 max-w-56 flex-1 border-t-4';
        return (
          <Link key={href} href={href} asChild>
            <Pressable
              role="link"
              aria-current={here ? 'page' : undefined}
              className={`items-center justify-center gap-1 ${edge} ${here ? 'border-ink bg-plate' : 'border-transparent'}`}
            >
              {rail && <Icon size={30} color={ink} />}
              <Words strong={here} className="text-lg leading-tight">
                {label}
              </Words>
              {href === '/log' && mark !== null && (
                <Words strong className="rounded-sm bg-ink px-1.5 text-sm leading-tight text-ground">
                  {mark}
                </Words>
              )}
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}
