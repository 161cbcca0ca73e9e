import { BASE_METALS, JOINTS, POSITIONS, WIRE_CLASSES } from '../../core/case/terms';
import { LEVEL_SCHEMA } from '../../core/inspection/level-schema';
import { SAVED_SETTING_PAGE_SCHEMA, SAVED_SETTING_SCHEMA } from '../../core/record/shapes/saved-setting-schema';
import { WELD_PAGE_SCHEMA, WELD_SCHEMA, WELD_STATES, type WeldState } from '../../core/record/shapes/weld-schema';
import { ID, INSTANT } from '../../core/schema/parts';
import { listLevels } from '../db/records/levels';
import { findSavedSetting, pageOfSavedSettings } from '../db/records/saved-settings';
import { findWeld, pageOfWelds } from '../db/records/welds';
import { endpoint, LIMIT, type AnyEndpoint } from './endpoint';

const oneOf = (of: readonly string[], description: string) => ({
  pattern: `^(${of.join('|')})$`,
  takes: `one of ${of.join(', ')}`,
  description,
});
const NUMBER = '^\\d{1,3}(\\.\\d{1,3})?$';
const WORDS = '^[^\\u0000-\\u001f\\u007f]{1,80}$';
const AFTER = {
  pattern: `^${INSTANT.pattern.slice(1, -1)}~${ID.pattern.slice(1, -1)}$`,
  takes: 'the "next" of the page before',
  description: 'cursor',
};
const PUT_AWAY = { pattern: '^(true|false)$', takes: 'true or false', description: 'those put away instead' };
const TEXT = { pattern: WORDS, takes: 'up to 80 letters', description: 'words of title, rig, who or note' };

/** Returns what of a query is a plain text, by name; what was not asked is left out. */
function asked<Name extends string>(
  query: { [name in string]?: string },
  names: readonly Name[],
): { [name in Name]?: string } {
  return Object.fromEntries(names.flatMap((name) => (query[name] === undefined ? [] : [[name, query[name]]]))) as {
    [name in Name]?: string;
  };
}

const figure = (text: string | undefined, name: string): object => (text === undefined ? {} : { [name]: Number(text) });

/** Kept settings, the welds made with them, and the levels those are held against. They are written as changes. */
export const WELDS: readonly AnyEndpoint[] = [
  endpoint({
    id: 'listSavedSettings',
    method: 'get',
    path: '/proven',
    summary: 'A page of kept settings, the newest first.',
    query: {
      rig: { pattern: ID.pattern, takes: ID.description, description: 'of this rig only' },
      metal: oneOf(BASE_METALS, 'on this metal'),
      joint: oneOf(JOINTS, 'of this joint'),
      position: oneOf(POSITIONS, 'in this position'),
      wire: oneOf(WIRE_CLASSES, 'with this class of wire'),
      wireMm: { pattern: NUMBER, takes: 'a number of mm', description: 'with this wire, to 0.06 mm' },
      thicknessMm: { pattern: NUMBER, takes: 'a number of mm', description: 'on a plate within a fifth of it' },
      text: TEXT,
      putAway: PUT_AWAY,
      after: AFTER,
      limit: LIMIT,
    },
    answer: { schema: SAVED_SETTING_PAGE_SCHEMA, description: 'the page, and the cursor of the next' },
    work: ({ query }, { store, report }) => {
      const [provenAt, id] = query.after?.split('~') ?? [];
      return pageOfSavedSettings(
        store,
        {
          ...asked(query, ['joint', 'position', 'text']),
          ...(query.rig === undefined ? {} : { rigId: query.rig }),
          ...(query.metal === undefined ? {} : { baseMetal: query.metal }),
          ...(query.wire === undefined ? {} : { wireClass: query.wire }),
          ...figure(query.wireMm, 'wireMm'),
          ...figure(query.thicknessMm, 'thicknessMm'),
          putAway: query.putAway === 'true',
          ...(provenAt === undefined || id === undefined ? {} : { after: { provenAt, id } }),
          limit: Number(query.limit ?? 30),
        },
        report,
      );
    },
  }),
  endpoint({
    id: 'getSavedSetting',
    method: 'get',
    path: '/proven/{id}',
    summary: 'One kept setting, with the bead it stands on.',
    answer: { schema: SAVED_SETTING_SCHEMA, description: 'the setting as it is kept' },
    problems: ['not-found'],
    work: ({ params }, { store }) => findSavedSetting(store, params.id),
  }),
  endpoint({
    id: 'listWelds',
    method: 'get',
    path: '/welds',
    summary: 'A page of welds, the newest first.',
    query: {
      state: oneOf(WELD_STATES, 'that stand so'),
      proven: { pattern: ID.pattern, takes: ID.description, description: 'made with this setting' },
      text: TEXT,
      putAway: PUT_AWAY,
      after: AFTER,
      limit: LIMIT,
    },
    answer: { schema: WELD_PAGE_SCHEMA, description: 'the page, and the cursor of the next' },
    work: ({ query }, { store, report }) => {
      const [weldedAt, id] = query.after?.split('~') ?? [];
      return pageOfWelds(
        store,
        {
          ...asked(query, ['text']),
          ...(query.state === undefined ? {} : { state: query.state as WeldState }),
          ...(query.proven === undefined ? {} : { provenId: query.proven }),
          putAway: query.putAway === 'true',
          ...(weldedAt === undefined || id === undefined ? {} : { after: { weldedAt, id } }),
          limit: Number(query.limit ?? 30),
        },
        report,
      );
    },
  }),
  endpoint({
    id: 'getWeld',
    method: 'get',
    path: '/welds/{id}',
    summary: 'One weld, with its inspections and repairs in order.',
    answer: { schema: WELD_SCHEMA, description: 'the weld as it is kept' },
    problems: ['not-found'],
    work: ({ params }, { store }) => findWeld(store, params.id),
  }),
  endpoint({
    id: 'listLevels',
    method: 'get',
    path: '/levels',
    summary: 'The levels of acceptance of this workshop.',
    answer: { schema: { type: 'array', items: LEVEL_SCHEMA }, description: 'the levels, coarse to fine' },
    work: (_, { store }) => listLevels(store),
  }),
];
