'use client';
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';

const WORDS = [...VERDICTS].reverse().map((v) => VERDICT_WORDS[v]);
const TICK = { fill: 'var(--color-soft)', fontSize: 12 };

/** Verdicts one after the other, by version, and how near each came to the target. What it shows stands in words in the list under it. */
export default function MakingsChart({
  points,
}: {
  readonly points: readonly { readonly n: number; readonly version: number; readonly step: number | null; readonly score: number | null }[];
}) {
  const held = points.some((p) => p.score !== null);
  return (
    <div className="h-44 w-full max-w-2xl rounded-plate bg-white p-2" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 165 }}>
        <LineChart data={points.map((p) => ({ ...p, name: `v${p.version}` }))} margin={{ top: 8, right: 18, bottom: 4, left: 8 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis dataKey="name" tick={TICK} stroke="var(--color-soft)" />
          <YAxis
            yAxisId="verdict"
            width={64}
            domain={[0, WORDS.length - 1]}
            ticks={WORDS.map((_, n) => n)}
            tickFormatter={(n: number) => WORDS[n] ?? ''}
            tick={TICK}
            stroke="var(--color-soft)"
          />
          {held ? (
            <YAxis yAxisId="target" orientation="right" width={58} domain={[0, 100]} ticks={[0, 50, 100]} unit=" %" tick={TICK} stroke="var(--color-soft)" />
          ) : null}
          {held ? <Legend verticalAlign="top" height={22} iconType="plainline" /> : null}
          <Line
            yAxisId="verdict"
            name="verdict"
            type="linear"
            dataKey="step"
            stroke="var(--color-rim)"
            strokeWidth={2.5}
            dot={{ r: 4, fill: 'var(--color-rim)' }}
            connectNulls
            isAnimationActive={false}
          />
          {held ? (
            <Line
              yAxisId="target"
              name="of its target"
              type="linear"
              dataKey="score"
              stroke="var(--color-berry)"
              strokeWidth={2.5}
              strokeDasharray="6 4"
              dot={{ r: 4, fill: 'var(--color-berry)', strokeDasharray: 'none' }}
              connectNulls
              isAnimationActive={false}
            />
          ) : null}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
