'use client';
/** A morning under way, rehearsed from here on: when the plates of the waves that are still to come will be out. */
import { useEffect, useRef, useState } from 'react';
import { AS_IT_GOES, bowlLeadMin, type Rehearsed, type RehearsedPlan } from '@/core/morning/rehearse';
import { startRehearsals } from './rehearsing';

interface Props {
  readonly plan: RehearsedPlan;
  /** When each step was done, with what had to be done before it; minutes of the day. */
  readonly done: ReadonlyMap<string, number>;
  readonly now: number;
  readonly clock: (min: number) => string;
}

const MORNINGS = 100;
/** It is worked again when something is marked, and every so many minutes. */
const EVERY_MIN = 2;
/** Plates that are out so long after their time are told as late, min. */
const LATE_MIN = 10;

export function AtThisPace({ plan, done, now, clock }: Props) {
  const [r, setR] = useState<Rehearsed | null>(null);
  const asked = useRef(0);
  const stamp = `${Math.floor(now / EVERY_MIN)} ${[...done].map(([id, at]) => `${id}@${Math.round(at)}`).join(' ')}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again when the stamp is another
  useEffect(() => {
    const mine = ++asked.current;
    const going = startRehearsals();
    void going
      .ask([plan, AS_IT_GOES, MORNINGS, 0.5, { now, done }], () => {})
      .then((x) => {
        if (mine === asked.current) setR(x);
        going.end();
      });
    return () => going.end();
  }, [stamp]);
  if (!r) return null;
  const waves = r.waves.filter((w) => w.lastBy > now);
  const out = r.dishes.filter((d) => d.outAt !== null);
  if (waves.length === 0 && out.length === 0) return null;
  return (
    <section aria-label="If it goes on like this" className="rounded-plate bg-white p-4">
      <h2 className="mb-1 text-xl">If it goes on like this</h2>
      <ul className="tabular-nums">
        {waves.map((w) => (
          <li key={w.at} className={w.lastBy - w.at > LATE_MIN + AS_IT_GOES.overMin ? 'font-semibold text-berry' : ''}>
            {clock(w.at)}: nine of ten plates are out by {clock(w.nineOfTenBy)}, the last about {clock(w.lastBy)}
          </li>
        ))}
        {out.map((d) => (
          <li key={d.id} className="font-semibold text-berry">
            {d.name} is gone by {clock(d.outAt ?? 0)}, and about {Math.round(d.without.half)} plates more are wanted:
            one more bowl has to be begun by {clock((d.outAt ?? 0) - bowlLeadMin(plan, d.id))}
          </li>
        ))}
      </ul>
    </section>
  );
}
