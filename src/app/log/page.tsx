import type { Metadata } from 'next';
import Link from 'next/link';
import { type Batch, VERDICT_WORDS, VERDICTS, type Verdict } from '@/core/batch/batch';
import { minutesAndSeconds } from '@/core/quantity/say';
import { log } from '@/server/batches';
import { reach } from '@/server/pool';
import { AwayPage, Frame } from '@/ui/frame';
import { lookOf } from '@/ui/kit/button';
import { LogFilter } from '@/ui/log/filter';
import { when } from '@/ui/when';

export const metadata: Metadata = { title: 'Log' };

const sides = (b: Batch): string => {
  const t = (s: number | null): string => (s === null ? '–' : minutesAndSeconds(s));
  return b.firstSideS === null && b.secondSideS === null ? '' : `${t(b.firstSideS)} / ${t(b.secondSideS)}`;
};

export default async function LogPage({ searchParams }: { readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>> }) {
  const asked = await searchParams;
  const text = typeof asked.find === 'string' ? asked.find.slice(0, 100) : '';
  const verdict: Verdict | null = VERDICTS.find((v) => v === asked.verdict) ?? null;
  const r = await reach(() => log({ text: text.trim(), verdict }));
  if (!r.up) return <AwayPage here="log" />;
  const filtered = text !== '' || verdict !== null;
  return (
    <Frame here="log">
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <h1 className="mr-auto text-[26px]">Log</h1>
        <LogFilter text={text} verdict={verdict ?? ''} />
      </div>
      {r.value.length === 0 ? (
        <section className="mt-10 max-w-xl">
          <p className="mb-4">
            {filtered ? 'No batch fits that.' : 'No batch has been made yet. Open a formula, scale it and start a batch; what comes out is written here.'}
          </p>
          <Link href={filtered ? '/log' : '/'} className={lookOf('plain')}>
            {filtered ? 'Show all batches' : 'To the formulas'}
          </Link>
        </section>
      ) : (
        <div className="overflow-x-auto">
          <table className="w-full min-w-[900px] border-collapse text-left">
            <thead className="border-b-2 border-rim text-sm text-soft">
              <tr>
                <th className="py-2 pr-4">Begun</th>
                <th className="pr-4">Formula</th>
                <th className="pr-4 text-right">Pieces, of planned</th>
                <th className="pr-4 text-right">Sides, min:s</th>
                <th className="pr-4">Verdict</th>
                <th className="pr-4">Note</th>
              </tr>
            </thead>
            <tbody>
              {r.value.map((b) => (
                <tr key={b.id} className="border-b border-line align-top">
                  <td className="py-2.5 pr-4 whitespace-nowrap text-soft">{when(b.startedAt)}</td>
                  <td className="max-w-[16rem] py-2.5 pr-4">
                    <Link href={`/batches/${b.id}/${b.finishedAt ? 'outcome' : 'prep'}`} className="font-semibold text-rim underline [overflow-wrap:anywhere]">
                      {b.name}
                    </Link>
                    <Link href={`/formulas/${b.formulaId}?version=${b.versionNumber}`} className="block text-sm text-soft underline">
                      version {b.versionNumber}
                    </Link>
                  </td>
                  <td className="py-2.5 pr-4 text-right whitespace-nowrap">
                    {b.pieces === null ? '' : <strong>{b.pieces}</strong>}
                    {b.piecesPlanned ? <span className="text-soft"> of {b.piecesPlanned}</span> : null}
                  </td>
                  <td className="py-2.5 pr-4 text-right whitespace-nowrap">{sides(b)}</td>
                  <td className="py-2.5 pr-4 whitespace-nowrap">
                    {b.verdict ? <strong>{VERDICT_WORDS[b.verdict]}</strong> : <span className="rounded bg-butter px-2 py-0.5 font-semibold">under way</span>}
                  </td>
                  <td className="max-w-[26rem] py-2.5 [overflow-wrap:anywhere]">
                    {b.marks.length > 0 ? <span className="text-soft">{b.marks.join(', ')}. </span> : null}
                    {b.note}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Frame>
  );
}
