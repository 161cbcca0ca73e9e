import type { Change } from '../change/change';
import type { HistoryEntry } from '../change/change-schema';
import { OUTCOME_WORDS } from './outcome';
import type { Outcome } from '../shapes/record-schema';

/** What a change is of, as far as it is known: the number of a bead, the name of a coupon or a rig. */
export type Named = { bead: number | null; name: string | null };

const quoted = (text: unknown): string => `“${String(text)}”`;

/** Returns what stands in a field, in words. */
export function fieldWords(field: string, value: unknown): string {
  if (field === 'outcome') return value === null ? 'not judged' : quoted(OUTCOME_WORDS[value as NonNullable<Outcome>]);
  if (field === 'putAway') return value === true ? 'put away' : 'in use';
  if (field === 'takenBack') return value === true ? 'taken back' : 'kept';
  if (value === '' || value === null || value === undefined) return 'nothing';
  return quoted(value);
}

/** Returns what single fields come to, in words. */
function fieldsWords(what: string, fields: object): string {
  return Object.entries(fields)
    .map(([field, value]) => {
      if (field === 'outcome')
        return value === null ? `${what}: judgement taken back` : `${what} judged ${fieldWords(field, value)}`;
      if (field === 'note')
        return value === '' ? `Note on ${what.toLowerCase()} cleared` : `${what} noted: ${quoted(value)}`;
      if (field === 'takenBack') return `${what} ${value === true ? 'taken back' : 'brought back'}`;
      if (field === 'putAway') return `${what} ${value === true ? 'put away' : 'brought back'}`;
      if (field === 'title' || field === 'name') return `${what} named ${quoted(value)}`;
      if (field === 'rigId') return `${what} moved to another rig`;
      return `${what} changed`;
    })
    .join('; ');
}

/** One line for a change: "Bead 3 judged “sound”". @param named what it is of */
export function changeWords({ kind, fields }: Pick<Change | HistoryEntry, 'kind' | 'fields'>, named: Named): string {
  const bead = named.bead === null ? 'A bead' : `Bead ${named.bead}`;
  const given = fields as Change['fields'] & { title?: string; name?: string };
  switch (kind) {
    case 'log-bead':
      return `${bead} logged`;
    case 'change-bead':
      return fieldsWords(bead, fields);
    case 'begin-coupon':
      return `New coupon: ${given.title ?? named.name ?? ''}`;
    case 'change-coupon':
      return fieldsWords(named.name ?? 'The coupon', fields);
    case 'correct-job':
      return `Job of ${named.name ?? 'the coupon'} corrected`;
    case 'begin-rig':
      return `New rig: ${given.name ?? named.name ?? ''}`;
    case 'change-rig':
      return fieldsWords(named.name ?? 'The rig', fields);
    case 'refit':
      return `${named.name ?? 'The rig'} refitted`;
    case 'prove':
      return `Setting of ${named.name ?? 'a coupon'} kept`;
    case 'change-proven':
      return fieldsWords('A kept setting', fields);
    case 'log-weld':
      return `Weld logged: ${given.title ?? named.name ?? ''}`;
    case 'change-weld':
      return fieldsWords('A weld', fields);
    case 'inspect':
      return 'A weld inspected';
    case 'repair':
      return 'A weld repaired';
    case 'care':
      return `${named.name ?? 'The rig'} looked after`;
    case 'add-picture':
      return 'A picture attached';
    case 'change-picture':
      return 'measuring' in fields ? 'A picture measured' : fieldsWords('A picture', fields);
    case 'change-level':
      return `Limits of ${given.name ?? named.name ?? 'a level'} changed`;
  }
}
