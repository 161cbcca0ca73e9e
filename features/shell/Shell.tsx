import { Link, usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';

const PLACES = [
  { href: '/', label: 'Bench', within: ['/', '/job'] },
  { href: '/rig', label: 'Rig', within: ['/rig'] },
  { href: '/log', label: 'Log', within: ['/log', '/coupon'] },
] as const;

function isHere(path: string, within: readonly string[]): boolean {
  return within.some((start) => (start === '/' ? path === '/' : path.startsWith(start)));
}

/** The page and, under it where the thumb is, the three places. */
export function Shell({ children }: { children: ReactNode }) {
  const path = usePathname();
  return (
    <View className="h-full flex-1 bg-ground">
      <View role="main" className="min-h-0 flex-1">
        {children}
      </View>
      <Row role="navigation" aria-label="Places" className="no-print justify-center border-t-2 border-edge bg-ground">
        {PLACES.map(({ href, label, within }) => {
          const here = isHere(path, within);
          return (
            <Link key={href} href={href} asChild>
              <Pressable
                role="link"
                aria-current={here ? 'page' : undefined}
                className={`min-h-14 max-w-56 flex-1 items-center justify-center border-t-4 ${here ? 'border-ink' : 'border-transparent'}`}
              >
                <Words strong={here} className="text-lg">
                  {label}
                </Words>
              </Pressable>
            </Link>
          );
        })}
      </Row>
    </View>
  );
}
