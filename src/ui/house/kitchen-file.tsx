'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { lookOf } from '../kit/button';
import { Pick } from '../kit/press';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';

/** The other tables that leave one by one. */
const TABLES = [
  { to: '/log/export?what=batches', name: 'Log' },
  { to: '/log/export?what=outcomes', name: 'Outcomes' },
  { to: '/log/export?what=taps', name: 'Taps on pieces' },
  { to: '/log/export?what=calendar', name: 'Calendar' },
  { to: '/pantry/export', name: 'Pantry' },
  { to: '/house/export?what=measures', name: 'Measures' },
  { to: '/house/export?what=sides', name: 'Sauces and sides' },
  { to: '/house/export?what=premixes', name: 'Premixes' },
  { to: '/house/export?what=lots', name: 'Lots' },
  { to: '/house/export?what=movements', name: 'Bags in and out' },
] as const;

/** Everything the kitchen owns, out as one open file or table by table; and such a file back into an empty kitchen. */
export function KitchenFile({ empty }: { readonly empty: boolean }) {
  const router = useRouter();
  const refresh = useRefresh();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setError(null);
    try {
      const r = await fetch('/house/archive', {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: file,
      });
      const answer = (await r.json()) as { readonly rows?: number; readonly detail?: string };
      if (r.ok) {
        toast(`The kitchen is here: ${answer.rows ?? 0} rows`);
        router.push('/');
        refresh();
      } else setError(`${file.name}: ${answer.detail ?? 'it could not be read.'}`);
    } catch {
      setError(`${file.name} did not arrive: is the server there? Nothing was changed.`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label="Import and export" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">Import and export</h2>
      <p>All of it as one open file, which can be read without Even Crumb.</p>
      <div className="flex flex-wrap items-center gap-3">
        <a href="/house/archive" download className={lookOf('plain', 'work')}>
          Download the whole kitchen
        </a>
        {empty ? (
          <label className={`${lookOf('plain', 'work')} cursor-pointer has-[:focus-visible]:outline-3`}>
            {busy ? 'Reading it back …' : 'Read a whole kitchen back'}
            <Pick
              type="file"
              accept=".zip,application/zip"
              className="sr-only"
              disabled={busy}
              onChange={(e) => {
                void read(e.target.files?.[0]);
                e.target.value = '';
              }}
            />
          </label>
        ) : (
          <span className="text-[15px] text-soft">
            It is read back into an empty kitchen: start one beside this, with a data folder of its own.
          </span>
        )}
      </div>
      {error ? (
        <p role="alert" className="font-semibold text-berry [overflow-wrap:anywhere]">
          {error}
        </p>
      ) : null}
      <details>
        <summary className="w-fit cursor-pointer rounded font-semibold text-rim">One table at a time</summary>
        <p className="my-2 text-[15px] text-soft">A formula leaves from its own menu.</p>
        <ul className="flex flex-wrap gap-2">
          {TABLES.map((t) => (
            <li key={t.to}>
              <a href={t.to} download className={lookOf()}>
                {t.name}
              </a>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
