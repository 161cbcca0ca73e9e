import { useId } from 'react';
import { TextInput, View } from 'react-native';
import { Words } from './Words';

type TextFieldProps = {
  label: string;
  value: string;
  onChange: (text: string) => void;
  maxLength: number;
  lines?: number;
  /** What the field takes, when what was typed cannot be taken. */
  problem?: string | null;
  /** What is typed is not shown. */
  secret?: boolean;
  onEnter?: () => void;
};

/** A line or some lines to type, and under them what the field takes when it cannot take what was typed. */
export function TextField({
  label,
  value,
  onChange,
  maxLength,
  lines = 1,
  problem = null,
  secret = false,
  onEnter,
}: TextFieldProps) {
  const note = useId();
  return (
    <View className="gap-1">
      <Words className="text-sm text-faint">{label}</Words>
      <TextInput
        aria-label={label}
        aria-invalid={problem !== null}
        {...(problem === null ? {} : { 'aria-describedby': note })}
        value={value}
        onChangeText={onChange}
        maxLength={maxLength}
        secureTextEntry={secret}
        {...(onEnter === undefined ? {} : { onSubmitEditing: onEnter })}
        {...(lines > 1 ? { multiline: true, numberOfLines: lines } : {})}
        className={`min-h-14 rounded-md border-2 bg-plate px-3 py-2 font-plain text-xl text-ink ${problem === null ? 'border-edge' : 'border-ink'}`}
      />
      {problem !== null && (
        <Words nativeID={note} role="alert" strong>
          {problem}
        </Words>
      )}
    </View>
  );
}
