'use client';
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';
import { CHARTED_WORDS, type Charted } from '@/core/judge/came-back';

const WORDS = [...VERDICTS].reverse().map((v) => VERDICT_WORDS[v]);
const TICK = { fill: 'var(--color-soft)', fontSize: 12 };

/**
 * Makings one after the other: a verdict and how near each came to the target, or a number. What it shows stands in
 * words in the list under it.
 */
export default function MakingsChart({
  points,
  by,
}: {
  readonly points: readonly {
    readonly id: string;
    readonly label: string;
    readonly value: number | null;
    readonly score: number | null;
  }[];
  readonly by: Charted;
}) {
  const held = points.some((p) => p.score !== null);
  const { name, unit } = CHARTED_WORDS[by];
  return (
    <div className="h-44 w-full max-w-2xl rounded-plate bg-white p-2" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 165 }}>
        <LineChart
          data={points.map((p) => ({
            ...p,
            value: p.value === null ? null : Math.round(10 * p.value) / 10,
            name: p.label,
          }))}
          margin={{ top: 8, right: 18, bottom: 4, left: 8 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis dataKey="name" tick={TICK} stroke="var(--color-soft)" />
          {by === 'verdict' ? (
            <YAxis
              yAxisId="value"
              width={64}
              domain={[0, WORDS.length - 1]}
              ticks={WORDS.map((_, n) => n)}
              tickFormatter={(n: number) => WORDS[n] ?? ''}
              tick={TICK}
              stroke="var(--color-soft)"
            />
          ) : (
            <YAxis
              yAxisId="value"
              width={64}
              unit={` ${unit}`}
              domain={['auto', 'auto']}
              tickCount={4}
              tick={TICK}
              stroke="var(--color-soft)"
            />
          )}
          {held ? (
            <YAxis
              yAxisId="target"
              orientation="right"
              width={58}
              domain={[0, 100]}
              ticks={[0, 50, 100]}
              unit=" %"
              tick={TICK}
              stroke="var(--color-soft)"
            />
          ) : null}
          {held ? <Legend verticalAlign="top" height={22} iconType="plainline" /> : null}
          <Line
            yAxisId="value"
            name={name.toLowerCase()}
            type="linear"
            dataKey="value"
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
