import { Text, type TextProps } from 'react-native';

type StyledText = TextProps & { className?: string };

/** Adds a default colour and size only where none is given, so that two classes never compete. */
function withDefaults(className: string, size: string): string {
  const colour = /\btext-(ink|faint|ground|on-act|on-stop)\b/.test(className) ? '' : 'text-ink';
  const height = /\btext-(sm|base|lg|xl|\dxl)\b/.test(className) ? '' : size;
  return `${colour} ${height} ${className}`;
}

/** Running text in the product's one family. `strong` is the heavier of its two weights. */
export function Words({ strong = false, className = '', ...props }: StyledText & { strong?: boolean }) {
  return (
    <Text className={`${strong ? 'font-strong' : 'font-plain'} ${withDefaults(className, 'text-base')}`} {...props} />
  );
}

/** A heading; `level` is its place in the outline of the page, not its size. */
export function Heading({ level, className = '', ...props }: StyledText & { level: 1 | 2 | 3 }) {
  return (
    <Text
      role="heading"
      aria-level={level}
      className={`font-strong ${withDefaults(className, 'text-lg')}`}
      {...props}
    />
  );
}

/** A figure in tabular digits, so that columns and changes do not dance. */
export function Figure({ className = '', style, ...props }: StyledText) {
  return (
    <Text
      className={`font-strong ${withDefaults(className, 'text-3xl')}`}
      style={[{ fontVariant: ['tabular-nums'] }, style]}
      {...props}
    />
  );
}
