import { useId } from 'react';
import { TextInput, View } from 'react-native';
import { Words } from './Words';

type NumberFieldProps = {
  label: string;
  unit: string;
  /** What stands in the field, exactly as typed. */
  text: string;
  onType: (text: string) => void;
  /** What the field takes, when what was typed cannot be taken. */
  problem?: string | null;
  large?: boolean;
  /** It may be less than nothing: a phone's keys for figures have no minus. */
  signed?: boolean;
  /** When the field is left. */
  onDone?: () => void;
  className?: string;
};

/** A figure to type, with its unit, and beside itself what it takes when it cannot take what was typed. */
export function NumberField({
  label,
  unit,
  text,
  onType,
  problem = null,
  large = false,
  signed = false,
  onDone,
  className = '',
}: NumberFieldProps) {
  const note = useId();
  return (
    <View className={`gap-1 ${className}`}>
      <Words className="text-sm text-faint">
        {label}
        {unit ? `, ${unit}` : ''}
      </Words>
      <TextInput
        aria-label={`${label}${unit ? `, ${unit}` : ''}`}
        aria-invalid={problem !== null}
        {...(problem === null ? {} : { 'aria-describedby': note })}
        value={text}
        onChangeText={onType}
        onBlur={onDone}
        inputMode={signed ? 'text' : 'decimal'}
        className={`min-h-14 rounded-md border-2 bg-plate px-3 font-strong text-ink ${problem === null ? 'border-edge' : 'border-ink'} ${large ? 'text-3xl' : 'text-xl'}`}
        style={{ fontVariant: ['tabular-nums'] }}
      />
      {problem !== null && (
        <Words nativeID={note} role="alert" strong>
          {problem}
        </Words>
      )}
    </View>
  );
}
