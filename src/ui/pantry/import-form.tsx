'use client';
import { releaseProxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { COLUMNS, type RowError } from '@/core/exchange/csv-row';
import { type ImportedPantry, MOST_CSV_CHARS, type PantryRead } from '@/core/exchange/pantry-csv';
import type { OwnThing } from '@/core/pantry/packet';
import type { PantryApi } from '@/workers/pantry.worker';
import { act, answerTo } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { useCopied } from '../kit/drafts';
import { TextField } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Pick } from '../kit/press';
import { TableHead } from '../kit/table-head';

type State =
  | { readonly at: 'waiting' }
  | { readonly at: 'reading'; readonly name: string }
  | { readonly at: 'read'; readonly name: string; readonly text: string; readonly read: PantryRead }
  | { readonly at: 'done'; readonly taken: number; readonly fresh: number };

/** Errors drawn at once; a thousand of them help nobody. */
const MOST_SHOWN = 50;

interface Reading {
  readonly result: Promise<PantryRead>;
  readonly stop: () => void;
}

/** Reads a table in a worker of its own, which can be stopped. */
function readInWorker(text: string, own: readonly OwnThing[]): Reading {
  const worker = new Worker(new URL('../../workers/pantry.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PantryApi>(worker);
  const stop = (): void => {
    remote[releaseProxy]();
    worker.terminate();
  };
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('the reader stopped'));
  });
  return { result: Promise.race([remote.read(text, own), failed]), stop };
}

/** A table brought in: read and checked row by row first; taken in whole, or not at all. */
export function ImportForm({
  own,
  take,
}: {
  readonly own: readonly OwnThing[];
  readonly take: (input: unknown) => Promise<ImportedPantry>;
}) {
  const [state, setState] = useState<State>({ at: 'waiting' });
  const [{ pasted }, keepPasted, sent] = useCopied('table', () => ({ pasted: '' }));
  const [refusal, setRefusal] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const [busy, setBusy] = useState(false);
  const reading = useRef<Reading | null>(null);
  const stopReading = (): void => {
    reading.current?.stop();
    reading.current = null;
  };
  useEffect(
    () => () => {
      reading.current?.stop();
    },
    [],
  );

  const begin = async (name: string, text: string): Promise<void> => {
    stopReading();
    setRefusal(null);
    setState({ at: 'reading', name });
    const mine = readInWorker(text, own);
    reading.current = mine;
    try {
      const read = await mine.result;
      if (reading.current !== mine) return;
      setState({ at: 'read', name, text, read });
    } catch {
      if (reading.current !== mine) return;
      setRefusal('The table could not be read here. Try again.');
      setState({ at: 'waiting' });
    } finally {
      if (reading.current === mine) stopReading();
    }
  };
  const onFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > 2 * MOST_CSV_CHARS) {
      setRefusal(
        `“${file.name}” has ${(file.size / 1_000_000).toFixed(1)} MB; at most ${(MOST_CSV_CHARS / 1_000_000).toFixed(0)} MB are read. Is it the right file?`,
      );
      return;
    }
    await begin(file.name, await file.text());
  };
  const send = async (text: string, withoutBad: boolean): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setRefusal(null);
    const a = await answerTo<ImportedPantry>(
      act('import-pantry', 'a table for the pantry', take, { text, withoutBad }),
      'table',
      () => {
        setBusy(false);
        setWaits(true);
      },
    );
    setBusy(false);
    setWaits(false);
    if (a.ok) {
      setState({ at: 'done', taken: a.taken, fresh: a.fresh });
      sent();
      return;
    }
    setRefusal(a.message);
    if ('errors' in a && a.errors.length > 0 && state.at === 'read')
      setState({ ...state, read: { rows: [], errors: a.errors } });
  };
  return (
    <div className="grid max-w-4xl gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex min-w-0 max-w-full flex-col gap-1">
          <span className="text-sm font-semibold text-soft">A CSV file</span>
          <Pick
            type="file"
            accept=".csv,.tsv,.txt,text/csv,text/plain"
            className="hold min-h-11 max-w-full cursor-pointer px-3 py-2 file:mr-3 file:rounded-md file:border-0 file:bg-wash file:px-3 file:font-semibold file:text-rim"
            onChange={(e) => {
              void onFile(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
        {state.at === 'reading' ? (
          <p role="status">
            Reading {state.name} …{' '}
            <Button
              look="bare"
              onClick={() => {
                stopReading();
                setState({ at: 'waiting' });
              }}
            >
              Stop
            </Button>
          </p>
        ) : null}
      </div>
      <Form
        act={() => {
          void begin('the pasted table', pasted);
        }}
      >
        <TextField
          label="Or paste a table"
          rows={4}
          value={pasted}
          spellCheck={false}
          onChange={(e) => keepPasted({ pasted: e.target.value })}
          placeholder="name,category,price,pack_g"
        />
        <Button type="submit" className="mt-2" disabled={pasted.trim() === ''}>
          Read it
        </Button>
      </Form>
      <RefusalNotice text={null} waits={waits} />
      {refusal ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      {state.at === 'read' ? (
        <ReadView state={state} busy={busy} onTake={(withoutBad) => void send(state.text, withoutBad)} />
      ) : null}
      {state.at === 'done' ? (
        <Notice weight="note" role="status">
          {state.taken.toLocaleString('en-GB')} {state.taken === 1 ? 'row is' : 'rows are'} in the pantry
          {state.fresh > 0 ? `, ${state.fresh.toLocaleString('en-GB')} of them new ingredients` : ''}.
        </Notice>
      ) : null}
      <details>
        <summary className="cursor-pointer rounded font-semibold text-rim">What the columns are</summary>
        <p className="mt-2 text-[15px] text-soft">
          The columns: {COLUMNS.join(', ')}. Only <em>name</em> has to be there. A name of the pantry’s own is its
          stock: price, pack, on hand and dates. Any other is an ingredient of yours: its panel <em>per</em> 100g, 100ml
          or serving (with <em>base_g</em>), or a <em>blend</em> as “flour-buckwheat 30; flour-all-purpose 70”. Days are
          year-month-day; allergens stand with semicolons between, or none. What is left empty stays unknown.
        </p>
      </details>
    </div>
  );
}

function ReadView({
  state,
  busy,
  onTake,
}: {
  readonly state: Extract<State, { at: 'read' }>;
  readonly busy: boolean;
  readonly onTake: (withoutBad: boolean) => void;
}) {
  const { rows, errors } = state.read;
  const bad = new Set(errors.map((e) => e.row)).size;
  const whole = errors.find((e) => e.column === 'file' && e.row === 1);
  if (whole)
    return (
      <Notice weight="stop" role="alert">
        {state.name}: {whole.message}
      </Notice>
    );
  const fresh = rows.filter((r) => r.thing).length;
  return (
    <section aria-label="What was read" className="grid gap-3">
      <p role="status">
        <strong>{rows.length.toLocaleString('en-GB')}</strong> {rows.length === 1 ? 'row reads' : 'rows read'} well:{' '}
        {fresh.toLocaleString('en-GB')} of ingredients of your own, {(rows.length - fresh).toLocaleString('en-GB')} of
        stock.
        {bad > 0 ? (
          <>
            {' '}
            <strong>{bad.toLocaleString('en-GB')}</strong> {bad === 1 ? 'does' : 'do'} not. Nothing is taken in yet.
          </>
        ) : null}
      </p>
      {errors.length > 0 ? <Errors errors={errors} /> : null}
      <div className="flex flex-wrap gap-2">
        {errors.length === 0 ? (
          <Button look="now" disabled={busy} onClick={() => onTake(false)}>
            Take {rows.length === 1 ? 'it' : `all ${rows.length.toLocaleString('en-GB')}`} in
          </Button>
        ) : rows.length > 0 ? (
          <Button disabled={busy} onClick={() => onTake(true)}>
            Leave those {bad.toLocaleString('en-GB')} out and take {rows.length.toLocaleString('en-GB')} in
          </Button>
        ) : null}
      </div>
    </section>
  );
}

function Errors({ errors }: { readonly errors: readonly RowError[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <TableHead columns={['Row', 'Column', 'What is wrong']} />
        <tbody>
          {errors.slice(0, MOST_SHOWN).map((e) => (
            <tr key={`${e.row} ${e.column} ${e.message}`} className="border-b border-line align-top">
              <td className="py-1.5 pr-4 font-semibold">{e.row}</td>
              <td className="py-1.5 pr-4 whitespace-nowrap">{e.column}</td>
              <td className="py-1.5 [overflow-wrap:anywhere]">{e.message}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {errors.length > MOST_SHOWN ? (
        <p className="mt-1 text-soft">and {(errors.length - MOST_SHOWN).toLocaleString('en-GB')} more.</p>
      ) : null}
    </div>
  );
}
