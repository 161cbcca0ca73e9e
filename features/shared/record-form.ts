import type { FieldErrors, FieldValues, Resolver } from 'react-hook-form';
import type { Validated } from '@/core/schema/validate';

/**
 * A form's checks from a record's own schema: what was typed is put together as the record that would be sent, and
 * each field that the schema refuses is named in the form.
 * @param recordOf the record that the typed values make
 * @param validate the record's compiled schema
 * @param fieldOf which field of the form a field of the record was typed in; null for one that was not typed
 */
export function recordResolver<Values extends FieldValues, Kept>(
  recordOf: (values: Values) => unknown,
  validate: (input: unknown) => Validated<Kept>,
  fieldOf: (recordField: string) => (keyof Values & string) | null,
): Resolver<Values> {
  return (values) => {
    const { problems } = validate(recordOf(values));
    if (problems === null) return { values, errors: {} };
    const errors: Record<string, { type: string; message: string }> = {};
    for (const { field, takes } of problems) errors[fieldOf(field) ?? 'root'] ??= { type: 'schema', message: takes };
    return { values: {}, errors: errors as FieldErrors<Values> };
  };
}

/** Returns what was typed for a figure: the figure, undefined for nothing, NaN for what is no figure. */
export function typedFigure(text: string): number | undefined {
  return text.trim() === '' ? undefined : Number(text.replace(',', '.'));
}

/** A figure above 0 that was typed; null for anything else. */
export function typedAboveZero(text: string): number | null {
  const figure = typedFigure(text);
  return figure !== undefined && figure > 0 && Number.isFinite(figure) ? figure : null;
}
