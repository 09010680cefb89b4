'use client';
import { useEffect, useRef, useState } from 'react';
import { CHARTED, CHARTED_WORDS, type Charted, chartedOf, type Making } from '@/core/judge/came-back';
import { Taps } from '../kit/choice';
import { later, useLater } from '../kit/later';

/** Fetched when its place is in sight of a page that stands; the numbers are there in words before it. */
const drawing = later(() => import('./makings-chart'));
const STANDS_MS = 1000;

type Charting = Pick<Making, 'batchId' | 'verdict' | 'pieces' | 'planned' | 'waste' | 'firstS' | 'driftS'> & {
  /** Under its point: the version, or the day. */
  readonly label: string;
  /** Against the formula's target, 0 to 100. */
  readonly score: number | null;
};

/** Makings one after the other, by what two of them at least say. @param makings the newest first */
export function TrendChart({ makings }: { readonly makings: readonly Charting[] }) {
  const [asked, setAsked] = useState<Charted>('verdict');
  const place = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const look = new IntersectionObserver((all) => {
      if (all.some((e) => e.isIntersecting)) setSeen(true);
    });
    const t = setTimeout(() => {
      if (place.current) look.observe(place.current);
    }, STANDS_MS);
    return () => {
      clearTimeout(t);
      look.disconnect();
    };
  }, []);
  const chart = useLater(drawing, seen);
  const offered = CHARTED.filter((c) => makings.filter((m) => chartedOf(m, c) !== null).length > 1);
  const by = offered.includes(asked) ? asked : offered[0];
  if (!by) return null;
  const points = [...makings].reverse().flatMap((m) => {
    const [value, score] = [chartedOf(m, by), by === 'verdict' ? m.score : null];
    return value === null && score === null ? [] : [{ id: m.batchId, label: m.label, value, score }];
  });
  return (
    <div className="min-w-0">
      {offered.length > 1 ? (
        <div className="mb-2">
          <Taps
            label="Shown"
            value={by}
            onChange={(v) => v !== '' && setAsked(v)}
            options={offered.map((c) => ({ value: c, label: CHARTED_WORDS[c].name }))}
          />
        </div>
      ) : null}
      <div ref={place} className="min-h-44">
        {chart ? <chart.default points={points} by={by} /> : null}
      </div>
    </div>
  );
}
