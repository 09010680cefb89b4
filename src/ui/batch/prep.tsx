'use client';
import { Check, CloudOff } from 'lucide-react';
import Link from 'next/link';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Batch, weighable } from '@/core/batch/batch';
import { mixesIn, mixName } from '@/core/batch/plan';
import { sheetGroups } from '@/core/batch/sheet';
import { lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { Notice } from '../kit/notice';
import { useUnits } from '../units';
import { taken } from './measure-sheet';
import { keepPending, type Pending, readPending } from './pending';

export type TickAnswer = { readonly ok: true } | { readonly ok: false; readonly message: string };

interface Props {
  readonly batch: Batch;
  readonly tick: (input: unknown) => Promise<TickAnswer>;
}

const RETRY_MS = 4000;

/**
 * Prep: the lines to weigh, ticked off. A tick shows at once and is kept in this browser until the server has it, so a
 * reload or an absent server loses none.
 */
export function Prep({ batch, tick }: Props) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(() => new Set(batch.ticked));
  const [pending, setPending] = useState<Pending>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const sending = useRef(false);

  useEffect(() => {
    const kept = readPending(batch.id);
    setPending(kept);
    setTicked((old) => merged(old, kept));
  }, [batch.id]);

  const sendAll = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let left = Object.entries(readPending(batch.id)); left[0]; left = Object.entries(readPending(batch.id))) {
        const [lineKey, on] = left[0];
        const answer = await tick({ batchId: batch.id, lineKey, ticked: on });
        if (!answer.ok) {
          setTrouble(answer.message);
          return;
        }
        const { [lineKey]: still, ...rest } = readPending(batch.id);
        // tapped again meanwhile: that one still has to go
        const next = still === on ? rest : { ...rest, ...(still === undefined ? {} : { [lineKey]: still }) };
        keepPending(batch.id, next);
        setPending(next);
      }
      setTrouble(null);
    } catch {
      setTrouble('Even Crumb does not answer. Your ticks are kept in this browser and go in when it is back.');
    } finally {
      sending.current = false;
    }
  }, [batch.id, tick]);

  useEffect(() => {
    if (Object.keys(pending).length === 0) return;
    void sendAll();
    const again = setInterval(() => void sendAll(), RETRY_MS);
    return () => clearInterval(again);
  }, [pending, sendAll]);

  const toggle = (key: string): void => {
    const on = !ticked.has(key);
    setTicked((old) => merged(old, { [key]: on }));
    const next = { ...readPending(batch.id), [key]: on };
    keepPending(batch.id, next);
    setPending(next);
  };

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
      {sheetGroups(lines.filter((l) => l.mix === undefined || l.mix === at)).map((g) => {
        const here = g.lines;
        return (
          <section key={g.name} className="mb-4" aria-label={g.name}>
            <h2 className="mb-1.5 text-xl text-rim">
              {g.name}
              {count > 1 && here[0]?.mix !== undefined ? <span className="font-sans text-base font-normal text-soft"> {mixName(batch.split, at)}</span> : null}
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
                      <input type="checkbox" className="sr-only" checked={on} onChange={() => toggle(l.key)} />
                      <span className={`grid size-9 place-items-center rounded-lg border-[3px] border-rim ${on ? 'bg-rim text-white' : 'bg-white'}`}>
                        {on ? <Check size={26} aria-hidden strokeWidth={3} /> : null}
                      </span>
                      <strong className={`text-right leading-tight ${(l.measure?.length ?? 0) > 20 ? 'text-2xl' : 'text-[28px]'} ${on ? 'text-soft' : ''}`}>
                        {taken(l, units)}
                        {l.spoons ? <span className="block text-base font-normal text-soft">or {l.spoons}</span> : null}
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
      })}
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

function merged(old: ReadonlySet<string>, change: Pending): ReadonlySet<string> {
  const next = new Set(old);
  for (const [key, on] of Object.entries(change)) {
    if (on) next.add(key);
    else next.delete(key);
  }
  return next;
}
