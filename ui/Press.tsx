import { Pressable, type PressableProps } from 'react-native';
import type { ReactNode } from 'react';
import { Row } from './Row';
import { useGlove } from './use-glove';
import { Words } from './Words';

type ButtonProps = Omit<PressableProps, 'children'> & {
  label: string;
  icon?: ReactNode;
  tone?: 'act' | 'plain' | 'quiet';
  /** An action that counts: the second tap of a glove is none. A step of a knob is tapped again and again, and every touch counts. */
  counts?: boolean;
  className?: string;
};

const TONE = {
  act: { box: 'bg-act', words: 'text-on-act' },
  plain: { box: 'bg-plate border-2 border-edge', words: 'text-ink' },
  quiet: { box: '', words: 'text-ink' },
};

/** A push with words on it: 56 px high, for gloves. */
export function Button({
  label,
  icon,
  tone = 'plain',
  counts = false,
  className = '',
  disabled,
  onPress,
  ...props
}: ButtonProps) {
  const { box, words } = TONE[tone];
  const glove = useGlove();
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled === true}
      disabled={disabled}
      onPress={counts ? glove(onPress) : onPress}
      className={`min-h-14 flex-row items-center justify-center gap-2 rounded-md px-4 ${box} ${disabled ? 'opacity-50' : ''} ${className}`}
      {...props}
    >
      {icon}
      <Words strong className={words}>
        {label}
      </Words>
    </Pressable>
  );
}

type ChoiceProps<T extends string> = {
  label: string;
  options: readonly { value: T; label: string }[];
  chosen: T | null;
  onChoose: (value: T) => void;
  className?: string;
};

/** One of a few, side by side. */
export function Choice<T extends string>({ label, options, chosen, onChoose, className = '' }: ChoiceProps<T>) {
  return (
    <Row role="radiogroup" aria-label={label} className={`flex-wrap gap-2 ${className}`}>
      {options.map(({ value, label: text }) => (
        <Toggle key={value} role="radio" label={text} on={value === chosen} onPress={() => onChoose(value)} />
      ))}
    </Row>
  );
}

type ToggleProps = {
  label: string;
  on: boolean;
  onPress: () => void;
  role?: 'radio' | 'checkbox' | 'tab';
  /** What it is said of, where many of the same name stand below one another: for those who hear the page. */
  of?: string;
  /** The whole of it in words, where the label alone does not say what it is about: for those who hear the page. */
  spoken?: string;
  /** A choice that counts: the second tap of a glove takes nothing back. */
  counts?: boolean;
  /** Narrower, where many stand in a row. */
  narrow?: boolean;
  className?: string;
};

/** A chip that is on or off; on is inked and underlined by a heavier frame, not by colour alone. */
export function Toggle({
  label,
  on,
  onPress,
  role = 'checkbox',
  of,
  spoken,
  counts = false,
  narrow = false,
  className = '',
}: ToggleProps) {
  const glove = useGlove();
  const name = spoken ?? (of === undefined ? undefined : `${label}: ${of}`);
  const state = role === 'tab' ? { 'aria-selected': on } : { 'aria-checked': on };
  return (
    <Pressable
      role={role}
      {...(name === undefined ? {} : { 'aria-label': name })}
      {...state}
      onPress={counts ? glove(onPress) : onPress}
      className={`min-h-14 items-center justify-center rounded-md border-2 ${narrow ? 'px-2.5' : 'px-4'} ${on ? 'border-ink bg-ink' : 'border-edge bg-plate'} ${className}`}
    >
      <Words strong={on} className={on ? 'text-ground' : 'text-ink'}>
        {label}
      </Words>
    </Pressable>
  );
}
