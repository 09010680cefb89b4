'use client';
/** A step of somebody's, and the ways to put it elsewhere: earlier, later, at a time, or given to another. */
import { Pin as PinIcon } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { clockOf, type Pin } from '@/core/morning/morning';
import type { MorningPlan } from '@/core/morning/plan';
import type { ShownStep } from '@/core/morning/show';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { TimeField } from '../kit/date-fields';
import { A_TIME, minuteIn } from './morning.state';

/** What an arrow key or a press moves a step by, min. */
const NUDGE_MIN = 5;
const ANYBODY = '';

interface PutsSteps {
  readonly onPin: (pin: Pin) => void;
  readonly busy: boolean;
}

export function StepPut({
  step,
  plan,
  onPin,
  busy,
  children,
}: PutsSteps & { readonly step: ShownStep; readonly plan: MorningPlan; readonly children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const pinned = plan.pins?.find((p) => p.step === step.id);
  const at = Math.round(step.from);
  const put = (to: Partial<Pick<Pin, 'from' | 'by'>>): void =>
    onPin({ step: step.id, name: step.name, from: pinned?.from ?? null, by: pinned?.by ?? null, ...to });
  return (
    <>
      <button
        type="button"
        className="flex min-h-8 w-full items-baseline gap-1 text-left hover:underline pointer-coarse:min-h-11"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        onKeyDown={(e) => {
          const by = e.key === 'ArrowLeft' ? -NUDGE_MIN : e.key === 'ArrowRight' ? NUDGE_MIN : 0;
          if (by === 0 || busy) return;
          e.preventDefault();
          put({ from: at + by });
        }}
      >
        <span className="min-w-0">{children}</span>
        {pinned ? (
          <>
            <PinIcon size={14} aria-hidden className="shrink-0 self-center" />
            <span className="sr-only">, put by hand</span>
          </>
        ) : null}
      </button>
      {open ? (
        <div className="grid gap-2 py-2">
          <div className="flex flex-wrap gap-2">
            {[-NUDGE_MIN, NUDGE_MIN].map((by) => (
              <Button key={by} disabled={busy} onClick={() => put({ from: at + by })}>
                {NUDGE_MIN} min {by < 0 ? 'earlier' : 'later'}
              </Button>
            ))}
            {pinned ? (
              <Button look="bare" disabled={busy} onClick={() => put({ from: null, by: null })}>
                Let it go
              </Button>
            ) : null}
          </div>
          <PutAt key={at} at={at} busy={busy} onPut={(from) => put({ from })} />
          <Choice
            label="Who does it"
            value={pinned?.by ?? ANYBODY}
            options={[
              { value: ANYBODY, label: 'whoever is free' },
              ...plan.people.map((p) => ({ value: p.name, label: p.name })),
            ]}
            onChange={(by) => put({ by: by === ANYBODY ? null : by })}
          />
        </div>
      ) : null}
    </>
  );
}

/** A time that is typed. */
function PutAt({
  at,
  busy,
  onPut,
}: {
  readonly at: number;
  readonly busy: boolean;
  readonly onPut: (min: number) => void;
}) {
  const [typed, setTyped] = useState(clockOf(at));
  const [wrong, setWrong] = useState(false);
  return (
    <div className="flex items-start gap-2">
      <TimeField label="At" className="w-28" value={typed} error={wrong ? A_TIME : undefined} onTime={setTyped} />
      <Button
        className="mt-6"
        disabled={busy}
        onClick={() => {
          const min = minuteIn(typed);
          setWrong(Number.isNaN(min));
          if (!Number.isNaN(min)) onPut(min);
        }}
      >
        Put it there
      </Button>
    </div>
  );
}

/** Steps put by hand that are not of the plan any more. */
export function GonePins({
  plan,
  steps,
  onPin,
  busy,
}: PutsSteps & { readonly plan: MorningPlan; readonly steps: ReadonlySet<string> }) {
  const gone = plan.pins?.filter((p) => !steps.has(p.step)) ?? [];
  if (gone.length === 0) return null;
  return (
    <ul aria-label="Put by hand, and not in this plan any more" className="mt-2 grid gap-1">
      {gone.map((p) => (
        <li key={p.step} className="flex flex-wrap items-center gap-2">
          <span className="text-soft">{p.name}: put by hand, and not in this plan any more.</span>
          <Button look="bare" disabled={busy} onClick={() => onPin({ ...p, from: null, by: null })}>
            Let it go
          </Button>
        </li>
      ))}
    </ul>
  );
}
