import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import {
  fieldName,
  guessColumns,
  LIST_FIELDS,
  listToRecord,
  quantityOf,
  readList,
  type DayOrder,
  type ListColumn,
  type ListField,
  type SomeList,
} from '@/core/files/bead-list';
import type { Decimal } from '@/core/files/spreadsheet';
import { unitOf } from '@/core/quantity/units';
import { RECORD_FORMAT, RECORD_VERSION } from '@/core/record/file/record-file-schema';
import { platform } from '@/platform/ports';
import { Part } from '@/ui/Part';
import { Button, Choice, Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { DecimalChoice } from '../../shared/DecimalChoice';
import { useRigs } from '../../../client/use-records';
import { sendRecord, type Taken } from './record-api';
import { TakenPreview } from './TakenPreview';

/** A list may be so large. */
const MOST_MB = 5;

/** A file that was opened; `id` tells it from the same one opened again, which begins anew. */
type Opened = { id: string; name: string; list: SomeList; columns: ListColumn[] };

/** Beads that somebody has in a spreadsheet: the columns are named, then it goes in as any record does. */
export function ListIn() {
  const client = useQueryClient();
  const rigs = useRigs().data ?? [];
  const [opened, setOpened] = useState<Opened | null>(null);
  const [rigId, setRigId] = useState<string | null>(null);
  const [decimal, setDecimal] = useState<Decimal>('point');
  const [days, setDays] = useState<DayOrder>('year first');
  const [busy, setBusy] = useState<string | null>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const [preview, setPreview] = useState<{ text: string; taken: Taken } | null>(null);
  const rig = rigs.find(({ id }) => id === rigId) ?? null;
  const named = (opened?.columns ?? []).filter(({ field }) => field !== null).length;
  /** What was said of the list before no longer holds. */
  const anew = (): void => {
    setProblems([]);
    setPreview(null);
  };
  const attempt = async (what: string, work: () => Promise<void>): Promise<void> => {
    setBusy(what);
    try {
      await work();
    } catch (error) {
      setProblems([error instanceof Error ? error.message : String(error)]);
    }
    setBusy(null);
  };
  const open = (): Promise<void> =>
    attempt('Reading it…', async () => {
      const file = await platform().openFile(['text/csv', 'text/plain', '.csv'], MOST_MB);
      if (file === null) return;
      anew();
      const list = readList(file.text);
      setOpened(
        typeof list === 'string'
          ? null
          : { id: platform().newId(), name: file.name, list, columns: guessColumns(list.heads) },
      );
      if (typeof list === 'string') setProblems([list]);
    });
  const look = (): Promise<void> =>
    attempt('Looking at it…', async () => {
      if (opened === null || rig === null) return;
      anew();
      const now = platform().now().toISOString();
      const { columns, list, name } = opened;
      const given = { columns, decimal, days, setup: rig.setup, title: name.replace(/\.\w+$/, '').slice(0, 120), now };
      const read = listToRecord(list, given);
      if (read.problems.length > 0) return setProblems(read.problems);
      const text = JSON.stringify({ format: RECORD_FORMAT, version: RECORD_VERSION, madeAt: now, ...read.kept });
      setPreview({ text, taken: await sendRecord(text, true) });
    });
  const take = (text: string): Promise<void> =>
    attempt('Taking it in…', async () => {
      const taken = await sendRecord(text, false);
      setPreview(taken.done ? null : { text, taken });
      if (!taken.done) return;
      setOpened(null);
      setProblems([`${opened?.name} is taken in: ${taken.counts.beads?.added ?? 0} beads.`]);
      void client.invalidateQueries();
    });
  return (
    <Part title="Take a list of beads in">
      <Words>
        A CSV file with a line a bead, from here or from anybody: say what its columns hold and in which units. Lines of
        one title and one plate become a coupon. Taken in twice, it is there once.
      </Words>
      <Row>
        <Button label="Open a CSV file" disabled={busy !== null} onPress={() => void open()} />
      </Row>
      {opened !== null && (
        <>
          <Words
            strong
          >{`${opened.name}: ${opened.list.rows.length === 1 ? 'one line' : `${opened.list.rows.length} lines`}`}</Words>
          <View role="group" aria-label="Columns" className="gap-2">
            {opened.columns.map((column, i) => (
              <ColumnRow
                key={`${opened.id} ${i}`}
                head={opened.list.heads[i]}
                example={opened.list.rows.map((row) => row[i] ?? '').find((cell) => cell.trim() !== '') ?? ''}
                column={column}
                onChange={(next) => {
                  anew();
                  const columns = opened.columns.map((one, at): ListColumn => {
                    if (at === i) return next;
                    // A field stands in one column.
                    return next.field !== null && one.field === next.field ? { ...one, field: null } : one;
                  });
                  setOpened({ ...opened, columns });
                }}
              />
            ))}
          </View>
          <Words strong>Figures are written</Words>
          <DecimalChoice
            chosen={decimal}
            onChoose={(next) => {
              anew();
              setDecimal(next);
            }}
          />
          {opened.columns.some(({ field }) => field === 'ranAt') && (
            <Choice
              label="Days are written"
              options={[
                { value: 'year first', label: '2026-05-30' },
                { value: 'day first', label: '30.5.2026' },
                { value: 'month first', label: '5/30/2026' },
              ]}
              chosen={days}
              onChoose={(next) => {
                anew();
                setDays(next);
              }}
            />
          )}
          <Words strong>Run on, as it is fitted now</Words>
          <Choice
            label="Run on"
            options={rigs.map(({ id, name }) => ({ value: id, label: name }))}
            chosen={rigId}
            onChoose={(next) => {
              anew();
              setRigId(next);
            }}
          />
          <Button
            tone={preview === null ? 'act' : 'plain'}
            label="Look at it"
            disabled={busy !== null || rig === null || named === 0}
            onPress={() => void look()}
          />
        </>
      )}
      {busy !== null && <Words role="status">{busy}</Words>}
      {problems.length > 0 && (
        <View role="alert" className="gap-1 rounded-md bg-plate p-3">
          {problems.map((problem) => (
            <Words key={problem}>{problem}</Words>
          ))}
        </View>
      )}
      {preview !== null && opened !== null && busy === null && (
        <TakenPreview name={opened.name} taken={preview.taken} onTake={() => void take(preview.text)} />
      )}
    </Part>
  );
}

type ColumnProps = { head: string; example: string; column: ListColumn; onChange: (next: ListColumn) => void };

/** One column: its head, its first cell, and what it holds, which opens to be chosen. */
function ColumnRow({ head, example, column: { field, unit }, onChange }: ColumnProps) {
  const [open, setOpen] = useState(false);
  const quantity = field === null ? null : quantityOf(field);
  const hasUnits = quantity !== null && unitOf(quantity, 'metric') !== unitOf(quantity, 'inch');
  const holds =
    field === null ? 'left out' : `${fieldName(field)}${quantity === null ? '' : `, ${unitOf(quantity, unit)}`}`;
  return (
    <View className="gap-2 rounded-md bg-plate p-3">
      <Row className="items-center gap-3">
        <View className="min-w-0 flex-1">
          <Words strong numberOfLines={1}>
            {head}
          </Words>
          <Words className="text-sm text-faint" numberOfLines={1}>
            {example}
          </Words>
        </View>
        <Toggle narrow label={holds} of={head} on={open} onPress={() => setOpen(!open)} />
      </Row>
      {open && (
        <>
          <Choice
            label={`What ${head} holds`}
            options={[
              { value: 'none', label: 'Leave it out' },
              ...LIST_FIELDS.map((value) => ({ value, label: fieldName(value) })),
            ]}
            chosen={field ?? 'none'}
            onChoose={(next) => onChange({ field: next === 'none' ? null : (next as ListField), unit })}
          />
          {hasUnits && (
            <Choice
              label={`Unit of ${head}`}
              options={(['metric', 'inch'] as const).map((value) => ({ value, label: unitOf(quantity, value) }))}
              chosen={unit}
              onChoose={(next) => onChange({ field, unit: next })}
            />
          )}
        </>
      )}
    </View>
  );
}
