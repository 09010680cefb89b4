'use client';
import { Check, CloudOff } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Batch, weighable } from '@/core/batch/batch';
import { mixesIn, mixName } from '@/core/batch/plan';
import { sheetGroups } from '@/core/batch/sheet';
import type { Kitchen } from '@/core/formula/ways';
import { grams } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { Notice } from '../kit/notice';
import { RealView } from '../prep/real-view';
import { type Send, useDone } from '../prep/use-done';
import { WeighIn } from '../prep/weigh-in';
import { useUnits } from '../units';
import { taken } from './measure-sheet';

/** Under which the browser remembers how this cook weighs. */
const WAY = 'weigh-in';

interface Props {
  readonly batch: Batch;
  readonly house: Kitchen;
  readonly tick: Send;
  readonly weigh: Send;
  /** Works the rest of a mix anew around an over-pour. */
  readonly anew: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

const WAYS = [
  { value: 'list', label: 'all lines' },
  { value: 'one', label: 'one at a time' },
] as const;

/** Prep: the lines to weigh, ticked off in a list, or weighed in one at a time. */
export function Prep({ batch, house, tick, weigh, anew }: Props) {
  const router = useRouter();
  const done = useDone(batch, tick, weigh);
  const { ticked, trouble } = done;
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('list');
  useEffect(() => {
    if (copyOf(WAY) === 'one') setWay('one');
  }, []);

  const units = useUnits();
  const lines = weighable(batch);
  const left = lines.filter((l) => !ticked.has(l.key));
  const now = left[0]?.key;
  const count = mixesIn(batch.split);
  // the mix that is weighed: the one looked at, else the first that is not done
  const [looked, setLooked] = useState<number | null>(null);
  const at = looked ?? left[0]?.mix ?? (left.length === 0 ? count : 1);
  const leftIn = (mix: number): number => left.filter((l) => l.mix === mix).length;
  const unmeasured = batch.sheet.filter((l) => l.grams === null);
  return (
    <div className="mx-auto max-w-4xl">
      <p className="mb-3 text-xl" role="status">
        {left.length === 0 ? (
          <strong className="text-herb">✓ All {lines.length} weighed.</strong>
        ) : (
          <>
            <strong>{left.length}</strong> of {lines.length} still to weigh
          </>
        )}
      </p>
      {trouble ? (
        <div className="mb-3">
          <Notice weight="look" role="status">
            <CloudOff size={18} aria-hidden className="mr-1 inline" />
            {trouble}
          </Notice>
        </div>
      ) : null}
      <div className="mb-4">
        <Taps
          label="How it is weighed"
          size="work"
          value={way}
          onChange={(v) => {
            if (v === '') return;
            setWay(v);
            keepCopy(WAY, v === 'one' ? v : null);
          }}
          options={WAYS}
        />
      </div>
      {count > 1 ? (
        <div className="mb-4">
          <Taps
            label={batch.split.by === 'kits' ? 'Which kit' : 'Which mix'}
            size="work"
            value={String(at)}
            onChange={(v) => setLooked(v === '' ? null : Number(v))}
            options={Array.from({ length: count }, (_, n) => ({
              value: String(n + 1),
              label: `${mixName(batch.split, n + 1)}${leftIn(n + 1) === 0 ? ', weighed' : ''}`,
            }))}
          />
        </div>
      ) : null}
      {way === 'one' ? (
        <div className="mb-4">
          <WeighIn
            batch={batch}
            house={house}
            lines={lines.filter((l) => l.mix === undefined || l.mix === at)}
            done={done}
            anew={anew}
            onChanged={() => router.refresh()}
          />
        </div>
      ) : (
        sheetGroups(lines.filter((l) => l.mix === undefined || l.mix === at)).map((g) => {
          const here = g.lines;
          return (
            <section key={g.name} className="mb-4" aria-label={g.name}>
              <h2 className="mb-1.5 text-xl text-rim">
                {g.name}
                {count > 1 && here[0]?.mix !== undefined ? (
                  <span className="font-sans text-base font-normal text-soft"> {mixName(batch.split, at)}</span>
                ) : null}
                {count > 1 && here[0]?.mix === undefined ? <span className="font-sans text-base font-normal text-soft"> once for all</span> : null}
              </h2>
              <ul className="grid gap-2">
                {here.map((l) => {
                  const on = ticked.has(l.key);
                  return (
                    <li key={l.key}>
                      <label
                        className={`hold grid cursor-pointer has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-offset-2 has-[:focus-visible]:outline-rim min-h-16 w-full ${units.weight === 'oz' || lines.some((x) => (x.measure?.length ?? 0) > 10) ? 'grid-cols-[2.75rem_20rem_1fr]' : 'grid-cols-[2.75rem_9rem_1fr]'} items-center gap-x-4 px-3 text-left ${l.key === now ? '!bg-butter' : on ? '!border-line !bg-enamel' : ''}`}
                      >
                        <input type="checkbox" className="sr-only" checked={on} onChange={() => done.put(l.key, !on)} />
                        <span className={`grid size-9 place-items-center rounded-lg border-[3px] border-rim ${on ? 'bg-rim text-white' : 'bg-white'}`}>
                          {on ? <Check size={26} aria-hidden strokeWidth={3} /> : null}
                        </span>
                        <strong className={`text-right leading-tight ${(l.measure?.length ?? 0) > 20 ? 'text-2xl' : 'text-[28px]'} ${on ? 'text-soft' : ''}`}>
                          {taken(l, units)}
                          {l.spoons ? <span className="block text-base font-normal text-soft">or {l.spoons}</span> : null}
                          {done.weights[l.key] !== undefined && done.weights[l.key] !== l.grams ? (
                            <span className="block text-base font-normal text-soft">went in: {grams(done.weights[l.key] ?? 0, units)}</span>
                          ) : null}
                        </strong>
                        <span className={`min-w-0 text-xl leading-tight [overflow-wrap:anywhere] ${on ? 'text-soft line-through decoration-2' : ''}`}>
                          {l.name}
                          {l.preparation ? <span className="block text-base text-soft">{l.preparation}</span> : null}
                        </span>
                      </label>
                    </li>
                  );
                })}
              </ul>
            </section>
          );
        })
      )}
      <RealView batch={batch} house={house} mix={at} ticked={ticked} weights={done.weights} />
      {unmeasured.length > 0 ? <p className="mb-4 text-soft">As needed, not weighed: {unmeasured.map((l) => l.text).join('; ')}.</p> : null}
      <p className="mb-4 text-sm text-soft">
        Egg and milk stay cold until they are used; no tasting of raw batter. Wash what touched raw egg. The local food code has the last word.
      </p>
      <Link href={`/batches/${batch.id}/outcome`} className={lookOf(left.length === 0 ? 'now' : 'plain', 'work')}>
        Write what came out
      </Link>
    </div>
  );
}
