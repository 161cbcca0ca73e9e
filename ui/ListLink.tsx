import { useRouter, type Href } from 'expo-router';
import type { MouseEvent, ReactNode } from 'react';

type ListLinkProps = {
  to: Href & string;
  /** What is read aloud where that is not what is written. */
  label?: string;
  /** Whether what it leads to stands open beside the list. */
  here: boolean;
  className?: string;
  children: ReactNode;
  /** What is done in place of going there; with a key held, or another button of the mouse, the browser goes there all the same. */
  onOpen?: () => void;
};

const isPlain = (event: MouseEvent): boolean =>
  event.button === 0 && !(event.metaKey || event.ctrlKey || event.shiftKey || event.altKey);

/**
 * A line of a long list, which leads on. It and what stands in it are written in elements of the page and not in those that the
 * rest of the product is made of: each of those costs a cheap phone a millisecond, and a line that is flung past has a dozen.
 */
export function ListLink({ to, label, here, className = '', children, onOpen }: ListLinkProps) {
  const router = useRouter();
  return (
    <a
      href={to}
      aria-label={label}
      aria-current={here ? 'page' : undefined}
      className={`flex min-h-14 rounded-md border-2 bg-plate p-3 font-plain text-ink ${here ? 'border-ink' : 'border-transparent'} ${className}`}
      onClick={(event) => {
        if (!isPlain(event)) return;
        event.preventDefault();
        if (onOpen === undefined) router.push(to);
        else onOpen();
      }}
    >
      {children}
    </a>
  );
}
