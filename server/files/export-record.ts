import { connect, storeOn } from '../db/engine/connection';
import { RECORD_FORMAT, RECORD_VERSION } from '../../core/record/file/record-file-schema';
import { RECORD_KINDS } from '../../core/record/kinds/all';
import type { Unreadable } from '../db/tables/rows';
import type { Store } from '../db/engine/store';
import { A_PAGE, idsAfter, rowsToExport } from '../db/kinds/export-rows';

/**
 * The whole record as text, a piece at a time, as it stood at one moment: read on a connection of its own, so that what is
 * written meanwhile neither waits nor gets in, and no more than a page of it is ever held.
 * @param file path of the database
 * @param madeAt now, as an ISO string
 */
export function* recordText(file: string, madeAt: string, report: (row: Unreadable) => void): Generator<string> {
  const connection = connect(file, { readonly: true });
  try {
    const store: Store = storeOn(connection);
    connection.exec('BEGIN');
    yield JSON.stringify({ format: RECORD_FORMAT, version: RECORD_VERSION, madeAt }).slice(0, -1);
    for (const kind of RECORD_KINDS) {
      yield `,\n"${kind}":[`;
      let first = true;
      for (let after = ''; ;) {
        const ids = idsAfter(store, kind, after);
        const things = rowsToExport(store, kind, ids, report).map((thing) => JSON.stringify(thing));
        if (things.length > 0) yield `${first ? '\n' : ',\n'}${things.join(',\n')}`;
        first &&= things.length === 0;
        if (ids.length < A_PAGE) break;
        after = ids[ids.length - 1];
      }
      yield ']';
    }
    yield '}\n';
  } finally {
    connection.close();
  }
}
