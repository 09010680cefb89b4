'use client';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';

const WORDS = [...VERDICTS].reverse().map((v) => VERDICT_WORDS[v]);

/** Verdicts one after the other, by version. What it shows stands in words in the list under it. */
export default function MakingsChart({
  points,
}: {
  readonly points: readonly { readonly n: number; readonly label: string; readonly version: number; readonly step: number }[];
}) {
  return (
    <div className="h-40 w-full max-w-2xl rounded-plate bg-white p-2" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 150 }}>
        <LineChart data={points.map((p) => ({ ...p, name: `v${p.version}` }))} margin={{ top: 8, right: 18, bottom: 4, left: 8 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis dataKey="name" tick={{ fill: 'var(--color-soft)', fontSize: 12 }} stroke="var(--color-soft)" />
          <YAxis
            width={64}
            domain={[0, WORDS.length - 1]}
            ticks={WORDS.map((_, n) => n)}
            tickFormatter={(n: number) => WORDS[n] ?? ''}
            tick={{ fill: 'var(--color-soft)', fontSize: 12 }}
            stroke="var(--color-soft)"
          />
          <Line type="linear" dataKey="step" stroke="var(--color-rim)" strokeWidth={2.5} dot={{ r: 4, fill: 'var(--color-rim)' }} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
