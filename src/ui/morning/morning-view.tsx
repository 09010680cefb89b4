'use client';
/** A morning as it was solved: what does not go and the ways out, plates, bowls, who does what, and what lies where. */
import { useEffect, useRef, useState } from 'react';
import type { MorningChange } from '@/core/morning/changes';
import type { Pin } from '@/core/morning/morning';
import { type MovedSteps, movedBetween } from '@/core/morning/show';
import type { SolvedMorning } from '@/core/morning/solve';
import { counted } from '@/core/quantity/say';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import {
  DishMark,
  Evening,
  letterOf,
  type MorningShown,
  movedWords,
  People,
  Plates,
  Surfaces,
  useClock,
} from './morning-parts';
import { GonePins, StepPut } from './step-put';
import { type KeepsMorning, useTake } from './use-take';

interface Props extends MorningShown, Omit<KeepsMorning, 'plan'> {
  readonly begun: readonly { readonly id: string; readonly name: string; readonly pieces: number | null }[];
}

/** Says what the last change has moved, against what this screen showed before it. */
function useMoved(steps: SolvedMorning['steps'], revision: number): MovedSteps | null {
  const was = useRef({ steps, revision });
  const [moved, setMoved] = useState<MovedSteps | null>(null);
  useEffect(() => {
    if (was.current.revision === revision) return;
    setMoved(movedBetween(was.current.steps, steps));
    was.current = { steps, revision };
  }, [steps, revision]);
  return moved;
}

/** What does not go, each with what has the very same ways out: they are offered once. */
function unmetGroups(unmet: SolvedMorning['unmet']) {
  const groups = new Map<string, { what: string[]; waysOut: SolvedMorning['unmet'][number]['waysOut'] }>();
  for (const [n, { what, waysOut }] of unmet.entries()) {
    const key = waysOut.length === 0 ? `none ${n}` : waysOut.map((w) => `${w.label} ${w.effect}`).join(' / ');
    const had = groups.get(key);
    if (had) had.what.push(what);
    else groups.set(key, { what: [what], waysOut });
  }
  return [...groups.values()];
}

function Unmet({
  of,
  onTake,
  busy,
}: {
  readonly of: Props;
  readonly onTake: (label: string, c: MorningChange) => void;
  readonly busy: boolean;
}) {
  const { unmet } = of.solved;
  return (
    <ul aria-label="What does not go" className="grid gap-3">
      {unmetGroups(unmet).map((u) => (
        <li key={u.what[0]} className="grid gap-2 rounded-r-hold border-l-8 border-berry bg-berry-wash px-3 py-2">
          {u.what.map((what) => (
            <p key={what} className="font-semibold">
              {what}
            </p>
          ))}
          {u.waysOut.length > 0 ? (
            <ul aria-label="What would mend it" className="flex flex-wrap gap-2">
              {u.waysOut.map((w) => (
                <li key={w.label}>
                  <Button
                    className="!h-auto min-h-11 flex-col !items-start !gap-0 py-1 text-left"
                    disabled={busy}
                    onClick={() => onTake(w.label, w.change)}
                  >
                    <span>{w.label}</span>
                    <span className="text-sm font-normal text-soft">{w.effect}</span>
                  </Button>
                </li>
              ))}
            </ul>
          ) : null}
        </li>
      ))}
    </ul>
  );
}

function Bowls({ id, plan, solved, dishes, begun }: Props) {
  const clock = useClock();
  return (
    <section aria-label="Bowls" className="rounded-plate bg-white p-4">
      <h2 className="mb-1 text-xl">Bowls</h2>
      <ul>
        {solved.bowls.map((b) => {
          const dish = plan.dishes.find((d) => d.id === b.dish);
          const at = b.waves.map((w) => clock(plan.waves[w]?.at ?? 0)).join(' and ');
          const end = dish?.end ? `&end=${dish.end}` : '';
          return (
            <li key={b.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1.5 last:border-b-0">
              <DishMark letter={letterOf(dishes, b.dish)} />
              <span className="min-w-0 flex-1">
                <strong>{counted(b.pieces, 'pieces')}</strong> of {dishes.find((d) => d.id === b.dish)?.name}, for {at}
                <span className="block text-sm text-soft">
                  {b.standsMin === null
                    ? 'stands as long as the morning'
                    : `poured within ${Math.round(b.standsMin)} min of being ready`}
                </span>
              </span>
              <Link
                href={`/formulas/${dish?.formulaId}/plan?pieces=${b.pieces}${end}&morning=${id}`}
                className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline"
              >
                Plan this bowl
              </Link>
            </li>
          );
        })}
      </ul>
      {begun.length > 0 ? (
        <p className="mt-2">
          Begun:{' '}
          {begun.map((b, n) => (
            <span key={b.id}>
              {n > 0 ? ', ' : ''}
              <Link href={`/batches/${b.id}/plan`} className="font-semibold text-rim underline">
                {b.name}
                {b.pieces === null ? '' : `, ${b.pieces}`}
              </Link>
            </span>
          ))}
          .
        </p>
      ) : null}
    </section>
  );
}

/** What is said of a step that is put. */
function pinWords({ name, from, by }: Pin, clock: (min: number) => string): string {
  if (from === null && by === null) return `${name}: as it was`;
  return [name, from === null ? '' : `at ${clock(from)}`, by === null ? '' : `by ${by}`].filter(Boolean).join(', ');
}

export function MorningView(p: Props) {
  const clock = useClock();
  const { asking, take } = useTake(p);
  const moved = useMoved(p.solved.steps, p.revision);
  const covers = p.plan.waves.reduce((a, w) => a + w.covers, 0);
  const { unmet } = p.solved;
  const puts = {
    busy: asking.busy,
    onPin: (pin: Pin) => void take(pinWords(pin, clock), [{ do: 'pin', pin }]),
  };
  return (
    <div className="grid min-w-0 content-start gap-4">
      <section aria-label="How it goes" className="grid gap-3">
        <p role="status" className="text-2xl font-bold">
          {unmet.length === 0
            ? `${covers} covers: every plate in time.`
            : `${covers} covers: ${counted(unmet.length, 'things')} ${unmet.length === 1 ? 'does' : 'do'} not work yet.`}
        </p>
        {moved ? <p className="text-soft">{movedWords(moved)}</p> : null}
        <RefusalNotice text={asking.refusal} waits={asking.waits} />
        <Unmet of={p} busy={asking.busy} onTake={(label, c) => void take(label, [c])} />
      </section>
      <Plates {...p} />
      <Evening {...p} />
      <People
        {...p}
        around={(step, words) => (
          <StepPut {...puts} step={step} plan={p.plan}>
            {words}
          </StepPut>
        )}
      />
      <GonePins {...puts} plan={p.plan} steps={new Set(p.solved.steps.map((x) => x.id))} />
      <Surfaces {...p} />
      <Bowls {...p} />
    </div>
  );
}
