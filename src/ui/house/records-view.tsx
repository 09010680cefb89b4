'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { RecordsFacts } from '@/contract/records';
import { typedNumber } from '@/core/quantity/typed';
import type { Unreadable } from '@/core/records/unreadable';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { TableHead } from '../kit/table-head';
import { toast } from '../kit/toast';
import { KitchenFile } from './kitchen-file';

/** As the page says them. */
interface Facts extends RecordsFacts {
  readonly version: string;
  readonly now: string;
}

interface BackupRow {
  readonly file: string;
  readonly at: string;
  readonly why: string;
  readonly bytes: number;
  readonly rows: number;
}

interface Props {
  readonly facts: Facts;
  readonly backups: readonly BackupRow[];
  readonly unreadable: readonly Unreadable[];
  /** Nothing was ever put into this kitchen. */
  readonly empty: boolean;
  readonly backUp: () => Promise<ActionResult<{ readonly file: string; readonly rows: number }>>;
  readonly keepSoMany: (input: unknown) => Promise<ActionResult>;
  readonly check: () => Promise<
    ActionResult<{ readonly tables: number; readonly rows: number; readonly unreadable: readonly Unreadable[] }>
  >;
  readonly putAside: (input: unknown) => Promise<ActionResult>;
}

/** "12.4 MB", "3.1 GB". */
const size = (bytes: number): string =>
  bytes >= 1e9
    ? `${(bytes / 1e9).toFixed(1)} GB`
    : bytes >= 1e6
      ? `${(bytes / 1e6).toFixed(1)} MB`
      : `${Math.ceil(bytes / 1000)} kB`;
const many = (n: number): string => n.toLocaleString('en-GB').replaceAll(',', '\u202f');
const LOW_BYTES = 500e6;
/** Clocks nearer than this are the same. */
const NEAR_MS = 2000;

/** The house part of where something stands, if it is one; that can be set aside from here. */
const housePart = (u: Unreadable): string | null =>
  u.where.startsWith('kitchen.house.') ? u.where.slice('kitchen.house.'.length) : null;

export function RecordsView({ facts, backups, unreadable, empty, backUp, keepSoMany, check, putAside }: Props) {
  const asking = useAsking();
  const [keep, setKeep] = useState(String(facts.keep));
  const [checked, setChecked] = useState<{
    readonly tables: number;
    readonly rows: number;
    readonly unreadable: readonly Unreadable[];
  } | null>(null);
  const [doing, setDoing] = useState<'backup' | 'check' | null>(null);
  const bad = checked?.unreadable ?? unreadable;
  const last = backups[0];
  const save = async (): Promise<void> => {
    setDoing('backup');
    const a = await asking.ask(backUp);
    setDoing(null);
    if (a?.ok) toast(`Backed up: ${many(a.rows)} rows, read back whole`);
  };
  const look = async (): Promise<void> => {
    setDoing('check');
    const a = await asking.ask(check);
    setDoing(null);
    if (a?.ok) setChecked(a);
  };
  const fact = (label: string, value: string, more = '') => (
    <div className="border-b border-line py-1.5">
      <dt className="text-sm font-semibold text-soft">{label}</dt>
      <dd>
        <strong>{value}</strong> {more ? <span className="text-soft [overflow-wrap:anywhere]">{more}</span> : null}
      </dd>
    </div>
  );
  return (
    <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[1fr_24rem]">
      <div className="grid gap-5">
        <section aria-label="Backups" className="grid gap-3 rounded-plate bg-white p-4">
          <h2 className="text-xl">Backups</h2>
          <p>
            {last ? (
              <>
                The last one: <strong>{last.at}</strong>, {last.why}.
              </>
            ) : (
              <strong>There is none yet.</strong>
            )}{' '}
            One every night, and before each update; each is read back.
          </p>
          <div className="flex flex-wrap items-end gap-3">
            <Button
              look="now"
              size="work"
              disabled={asking.busy || facts.backupPlace === null}
              onClick={() => void save()}
            >
              {doing === 'backup' ? 'Backing up, and reading it back' : 'Back up now'}
            </Button>
            <Form
              noValidate
              className="flex items-end gap-2"
              act={() => {
                void asking.ask(() => keepSoMany({ keep: typedNumber(keep, '') })).then((a) => a?.ok && toast('Kept'));
              }}
            >
              <Field
                label="So many are kept"
                inputMode="numeric"
                className="w-36"
                value={keep}
                error={asking.errors.keep}
                onChange={(e) => {
                  setKeep(e.target.value);
                  asking.touched();
                }}
              />
              <Button type="submit" className="min-h-11" disabled={asking.busy}>
                Keep so many
              </Button>
            </Form>
          </div>
          {facts.backupPlace === null ? (
            <Notice weight="look">
              Nobody has said where backups go. Started by its start command, Even Crumb keeps them in the data folder.
            </Notice>
          ) : (
            <p className="text-[15px] text-soft [overflow-wrap:anywhere]">
              They stand in {facts.backupPlace}.{' '}
              {facts.copies === null
                ? 'A copy on another disk is worth more: start with EVEN_CRUMB_BACKUPS_COPY=FOLDER, or download one now and then.'
                : facts.copies.isThere
                  ? `Each is copied to ${facts.copies.place}, and read back there.`
                  : ''}
            </p>
          )}
          {facts.copies && !facts.copies.isThere ? (
            <Notice weight="stop" role="alert">
              The newest backup is not in {facts.copies.place}
              {facts.copies.trouble ? `: ${facts.copies.trouble}` : ''}. It is tried again every quarter of an hour.
            </Notice>
          ) : null}
          <RefusalNotice text={Object.keys(asking.errors).length === 0 ? asking.refusal : null} />
          {backups.length > 0 ? (
            <div className="overflow-x-auto">
              <table data-cards className="w-full text-left">
                <caption className="sr-only">Backups, the newest first</caption>
                <TableHead columns={['Taken', 'Why', { right: 'Rows' }, { right: 'Size' }, { hidden: 'Download' }]} />
                <tbody>
                  {backups.map((b) => (
                    <tr key={b.file} className="border-b border-line">
                      <th scope="row" className="font-normal py-1 pr-4 whitespace-nowrap">
                        {b.at}
                      </th>
                      <td data-label="Why" className="pr-4">
                        {b.why}
                      </td>
                      <td data-label="Rows" className="pr-4 text-right">
                        {many(b.rows)}
                      </td>
                      <td data-label="Size" className="pr-4 text-right whitespace-nowrap">
                        {size(b.bytes)}
                      </td>
                      <td className="text-right">
                        <a
                          href={`/house/records/${b.file}`}
                          download
                          className={lookOf('bare')}
                          aria-label={`Download the backup of ${b.at}`}
                        >
                          Download
                        </a>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          ) : null}
          <details className="text-[15px]">
            <summary className="w-fit cursor-pointer rounded font-semibold text-rim">To bring one back</summary>
            <p className="text-soft">
              Stop Even Crumb and say <code>npm run restore -- FILE</code>. What there is then is kept as a backup
              first.
            </p>
          </details>
        </section>
        <KitchenFile empty={empty} />
        <section aria-label="Whether all of it can be read" className="grid gap-3 rounded-plate bg-white p-4">
          <h2 className="text-xl">Can all of it be read?</h2>
          {bad.length === 0 ? (
            <p role="status">
              {checked ? (
                <>
                  <strong>Yes.</strong> {many(checked.rows)} rows of {checked.tables} tables were read whole.
                </>
              ) : (
                'Nothing unreadable has been met. A check reads every row there is; it may take a minute.'
              )}
            </p>
          ) : (
            <>
              <p role="status">
                {bad.length === 1 ? 'One thing can’t be read' : `${bad.length} things can’t be read`}. Pages go on
                without. The values stay as they are until something is put in their place, and are kept aside then.
              </p>
              <ul className="grid gap-2">
                {bad.slice(0, 50).map((u) => {
                  const part = housePart(u);
                  return (
                    <li key={u.where} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
                      <span className="min-w-0 flex-1">
                        <strong>{u.what}</strong>: {u.why}{' '}
                        <span className="block text-sm text-soft [overflow-wrap:anywhere]">{u.where}</span>
                      </span>
                      {part === null ? null : (
                        <Button
                          disabled={asking.busy}
                          onClick={() =>
                            void asking.ask(() => putAside({ path: part })).then((a) => a?.ok && toast('Set aside'))
                          }
                        >
                          Set it aside
                        </Button>
                      )}
                    </li>
                  );
                })}
              </ul>
              {bad.length > 50 ? <p>And {bad.length - 50} more.</p> : null}
            </>
          )}
          <Button className="justify-self-start" disabled={asking.busy} onClick={() => void look()}>
            {doing === 'check' ? 'Reading all of it' : 'Check all of it'}
          </Button>
        </section>
      </div>
      <details
        className="rounded-plate bg-white px-4 py-2"
        // what is wrong there is seen without a press
        open={
          (facts.diskLeftBytes !== null && facts.diskLeftBytes < LOW_BYTES) || Math.abs(facts.clockOffMs) >= NEAR_MS
        }
      >
        <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
          Size, place and versions
        </summary>
        <dl aria-label="Facts">
          {fact(
            'The records take',
            size(facts.bytes),
            `${many(facts.counts.formulas)} formulas in ${many(facts.counts.versions)} versions, ${many(facts.counts.batches)} batches`,
          )}
          {facts.diskLeftBytes === null
            ? null
            : fact(
                'Left on the disk',
                size(facts.diskLeftBytes),
                facts.diskLeftBytes < LOW_BYTES ? 'make room soon: nothing can be written on a full disk' : '',
              )}
          {facts.place === null ? null : fact('They stand in', '', facts.place)}
          {fact(
            'The kitchen’s clock',
            facts.now,
            Math.abs(facts.clockOffMs) < NEAR_MS
              ? facts.zone
              : `${facts.zone}; the database’s is ${Math.round(Math.abs(facts.clockOffMs) / 1000)} s off`,
          )}
          {fact('Even Crumb', facts.version, `records of ${facts.schema.replace(/_.*/, '')}`)}
          {fact('PostgreSQL', facts.postgres, `Node ${facts.node}`)}
        </dl>
      </details>
    </div>
  );
}
