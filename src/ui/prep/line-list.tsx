'use client';
import { Check } from 'lucide-react';
import { sheetGroups } from '@/core/batch/sheet-groups';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import { grams } from '@/core/quantity/say';
import type { Script } from '@/core/script/act';
import { Pick } from '../kit/press';
import { useUnits } from '../kit/units';
import type { Done } from './done';

/** The lines to weigh, vessel by vessel, ticked off in a list. */
export function LineList({
  lines,
  script,
  done,
  now,
  mix,
}: {
  readonly lines: readonly SheetLine[];
  readonly script: Script;
  readonly done: Done;
  /** The next to weigh. */
  readonly now: string | undefined;
  /** What the mix is called, where there are several. */
  readonly mix: string | null;
}) {
  const units = useUnits();
  const wide = units.weight === 'oz' || lines.some((x) => (x.measure?.length ?? 0) > 10);
  return sheetGroups(lines, script).map((g) => (
    <section key={g.name} className="mb-4" aria-label={g.name}>
      <h2 className="mb-1.5 text-xl text-rim">
        {g.name}
        {mix === null ? null : (
          <span className="font-sans text-base font-normal text-soft">
            {' '}
            {g.lines[0]?.mix === undefined ? 'once for all' : mix}
          </span>
        )}
      </h2>
      <ul className="grid gap-2">
        {g.lines.map((l) => {
          const on = done.ticked.has(l.key);
          const went = done.weights[l.key];
          return (
            <li key={l.key}>
              <label
                className={`hold grid cursor-pointer has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-offset-2 has-[:focus-visible]:outline-rim min-h-16 w-full ${wide ? 'grid-cols-[2.75rem_min(20rem,38vw)_1fr]' : 'grid-cols-[2.75rem_min(9rem,30vw)_1fr]'} items-center gap-x-4 px-3 text-left ${l.key === now ? '!bg-butter' : on ? '!border-line !bg-enamel' : ''}`}
              >
                <Pick type="checkbox" className="sr-only" checked={on} onChange={() => done.put(l.key, !on)} />
                <span
                  className={`grid size-9 place-items-center rounded-lg border-[3px] border-rim ${on ? 'bg-rim text-white' : 'bg-white'}`}
                >
                  {on ? <Check size={26} aria-hidden strokeWidth={3} /> : null}
                </span>
                <strong
                  className={`text-right leading-tight ${(l.measure?.length ?? 0) > 20 ? 'text-2xl' : 'text-[28px]'} ${on ? 'text-soft' : ''}`}
                >
                  {measureSaid(l, units)}
                  {l.spoons ? <span className="block text-base font-normal text-soft">or {l.spoons}</span> : null}
                  {went !== undefined && went !== l.grams ? (
                    <span className="block text-base font-normal text-soft">went in: {grams(went, units)}</span>
                  ) : null}
                </strong>
                <span
                  className={`min-w-0 text-xl leading-tight [overflow-wrap:anywhere] ${on ? 'text-soft line-through decoration-2' : ''}`}
                >
                  {l.name}
                  {l.standsFor ? (
                    <strong className="block text-base text-berry">stands in for {l.standsFor.toLowerCase()}</strong>
                  ) : null}
                  {l.preparation ? <span className="block text-base text-soft">{l.preparation}</span> : null}
                </span>
              </label>
            </li>
          );
        })}
      </ul>
    </section>
  ));
}
