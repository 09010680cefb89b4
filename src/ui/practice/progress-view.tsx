'use client';
import { Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { PracticeProgress } from '@/core/practice/progress';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { TICK } from '../kit/chart';
import { DeleteButton } from '../kit/delete-button';
import { useRefresh } from '../kit/refresh';
import { TableHead } from '../kit/table-head';
import { toast } from '../kit/toast';
import type { Send } from './who';

/** What somebody has practised: each go drawn, and erased when they ask. */
export function ProgressView({
  name,
  personId,
  progress,
  forget,
}: {
  readonly name: string;
  readonly personId: string | null;
  readonly progress: PracticeProgress;
  readonly forget: Send;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  if (progress.tries === 0) return null;
  const erase = async (): Promise<boolean> => {
    const a = await asking.ask((requestId) =>
      act('forget-tries', `what ${name} practised, erased`, forget, { personId, requestId }),
    );
    if (!a?.ok) return false;
    toast('Erased');
    refresh();
    return true;
  };
  return (
    <section aria-label="How it goes" className="grid gap-2">
      <h2 className="text-xl">How it goes{name ? `: ${name}` : ''}</h2>
      <p>
        {progress.passed} of {progress.lessons.length} lessons passed, {progress.tries} tries.
      </p>
      {progress.curve.length > 1 ? (
        <div className="h-36 w-full max-w-xl" aria-hidden="true">
          <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 144 }}>
            <LineChart
              data={progress.curve.map((c) => ({ n: c.n, worth: Math.round(100 * c.worth) }))}
              margin={{ top: 6, right: 12, bottom: 0, left: 0 }}
              accessibilityLayer={false}
            >
              <XAxis dataKey="n" tick={TICK} stroke="var(--color-soft)" />
              <YAxis width={44} domain={[0, 100]} tickCount={3} tick={TICK} stroke="var(--color-soft)" />
              <Line
                dataKey="worth"
                stroke="var(--color-rim)"
                strokeWidth={2}
                isAnimationActive={false}
                dot={{ r: 3, fill: 'var(--color-rim)' }}
              />
            </LineChart>
          </ResponsiveContainer>
        </div>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      {personId ? (
        <DeleteButton
          name={`what ${name} practised`}
          label="Erase"
          says="Every try of it goes, and is not to be had back."
          of={asking}
          onDelete={erase}
        />
      ) : null}
    </section>
  );
}

/** Everybody who practises, for whoever teaches. */
export function ClassView({
  rows,
}: {
  readonly rows: readonly { readonly id: string; readonly name: string; readonly progress: PracticeProgress }[];
}) {
  return (
    <section aria-label="The class" className="grid gap-2">
      <h2 className="text-xl">The class</h2>
      <table className="w-full max-w-3xl text-left">
        <caption className="sr-only">Who has practised, and what is next</caption>
        <TableHead columns={['Who', { right: 'Lessons passed' }, { right: 'Tries' }, 'Next']} />
        <tbody>
          {rows.map(({ id, name, progress: p }) => (
            <tr key={id} className="border-b border-line">
              <th scope="row" className="py-1 pr-3 font-normal">
                {name}
              </th>
              <td className="pr-3 text-right">
                {p.passed} of {p.lessons.length}
              </td>
              <td className="pr-3 text-right">{p.tries}</td>
              <td>{p.next?.what ?? 'all of it'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
