'use client';
import { Check, ChevronDown, Minus, Pin, Plus } from 'lucide-react';
import type { HTMLAttributes, RefObject } from 'react';
import type { DayStep, Placed } from '@/core/day/schedule';
import { WHO_WORDS } from '@/core/day/step';
import { localDay, localTime, momentOf, timeIn } from '@/core/quantity/day';
import { minutesOrHours, temperature } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Press } from '../kit/press';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';

const MIN = 60_000;
const NUDGE_MS = 5 * MIN;

/** What a row's track shows, from left to right. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

const STATE_WORDS: Readonly<Record<DayStep['state'], string>> = { now: 'now', next: 'next', late: 'late', later: '' };

/** What makes a bar one that can be dragged. */
export interface Dragged {
  readonly track: RefObject<HTMLDivElement | null>;
  readonly bar: (e: HTMLElement | null) => void;
  readonly props: HTMLAttributes<HTMLButtonElement>;
  /** How far it is drawn from its place, px; null: it lies there. */
  readonly byPx: number | null;
}

export interface StepRowProps {
  readonly placed: Placed;
  readonly window: Window;
  readonly state: DayStep['state'] | null;
  readonly clash: boolean;
  readonly helpers: number;
  readonly open: boolean;
  /** The day has begun: it can be ticked. */
  readonly ticks: boolean;
  readonly fixed: boolean;
  readonly onOpen: () => void;
  readonly onTick: () => void;
  readonly onMove: (to: number) => void;
  readonly onRelease: () => void;
  readonly drag: Dragged;
}

/** A step in its time: a bar to drag or nudge, and, opened, why it matters, whose it is, and what may slip. */
export function StepRow({
  placed: { step, start, end, by, moved },
  window,
  state,
  clash,
  helpers,
  open,
  ticks,
  fixed,
  onOpen,
  onTick,
  onMove,
  onRelease,
  drag,
}: StepRowProps) {
  const time = useTime();
  const units = useUnits();
  const all = Math.max(MIN, window.to - window.from);
  const left = (100 * (start - window.from)) / all;
  const wide = Math.max(0.8, (100 * (end - start)) / all);
  const bound = step.min > 0 ? (100 * step.handsMin) / step.min : 0;
  const hand = by === null ? '' : by === 0 ? (helpers > 0 ? 'cook' : '') : helpers > 1 ? `helper ${by}` : 'helper';
  const word = state ? STATE_WORDS[state] : '';
  return (
    <li className={`border-b border-line ${state === 'now' || state === 'late' ? 'bg-butter/40' : ''}`}>
      <div className="grid min-h-12 grid-cols-[auto_8.5rem_1fr] items-center gap-x-3 gap-y-1 px-2 py-1 lg:grid-cols-[auto_8.5rem_17rem_1fr]">
        {ticks && step.handsMin > 0 ? (
          <Press
            aria-label={`Done: ${step.name}`}
            onClick={onTick}
            className="hold grid size-11 place-items-center hover:bg-wash"
          >
            <Check size={22} aria-hidden className="opacity-30" />
          </Press>
        ) : (
          <span className={ticks ? 'w-11' : 'w-0'} />
        )}
        <span className="text-lg leading-tight font-semibold">
          {time.andDay(start, window.from)}
          <span className="inline-block font-normal whitespace-nowrap text-soft">
            &nbsp;{minutesOrHours(Math.max(1, Math.round((end - start) / MIN)))}
          </span>
        </span>
        <Press
          aria-expanded={open}
          onClick={onOpen}
          className="flex min-h-11 min-w-0 items-center gap-1.5 text-left font-semibold"
        >
          <ChevronDown size={18} aria-hidden className={`shrink-0 text-rim ${open ? '' : '-rotate-90'}`} />
          <span className="min-w-0 [overflow-wrap:anywhere]">
            {step.name}
            {hand || word || clash ? (
              <span className="font-normal text-soft">
                {hand ? `, ${hand}` : ''}
                {word ? <strong className="text-ink">, {word}</strong> : ''}
                {clash ? <strong className="text-berry">, clash</strong> : ''}
              </span>
            ) : null}
          </span>
          {moved ? <Pin size={16} aria-label="moved by hand" className="shrink-0 text-rim" /> : null}
        </Press>
        <div ref={drag.track} className="relative h-11 max-lg:hidden">
          <Press
            ref={drag.bar}
            {...drag.props}
            aria-roledescription="step to move"
            aria-label={`${step.name}, ${time.ofDay(start)} to ${time.ofDay(end)}: move with the arrow keys`}
            disabled={fixed}
            onKeyDown={(e) => {
              const by = e.key === 'ArrowLeft' ? -NUDGE_MS : e.key === 'ArrowRight' ? NUDGE_MS : 0;
              if (by === 0) return;
              e.preventDefault();
              onMove(start + by);
            }}
            className={`absolute inset-y-0 min-w-6 touch-none overflow-hidden rounded-md border-2 border-rim bg-white ${drag.byPx ? 'z-10 cursor-grabbing' : 'cursor-grab'} ${clash ? 'border-dashed' : ''}`}
            style={{
              left: `${left}%`,
              width: `max(14px, ${wide}%)`,
              transform: drag.byPx ? `translateX(${drag.byPx}px)` : undefined,
            }}
          >
            <span aria-hidden className="absolute inset-y-0 left-0 bg-rim" style={{ width: `${bound}%` }} />
          </Press>
        </div>
      </div>
      {open ? (
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2 px-3 pb-3">
          <div className="min-w-0 flex-1 basis-80">
            <p>{step.why}</p>
            <p className="text-soft">
              {WHO_WORDS[step.who]};{' '}
              {step.handsMin === 0
                ? 'no hands'
                : step.handsMin < step.min
                  ? `hands for ${minutesOrHours(Math.max(1, Math.round(step.handsMin)))}`
                  : 'hands all the while'}
              {step.ovenC === null ? '' : `; the oven at ${temperature(step.ovenC, units)}`}; {step.slips}.
            </p>
          </div>
          {fixed ? null : (
            <div className="flex items-end gap-2">
              <Button
                size="work"
                aria-label={`${step.name}: five minutes earlier`}
                onClick={() => onMove(start - NUDGE_MS)}
              >
                <Minus size={20} aria-hidden />5
              </Button>
              <Field
                key={start}
                label="begins"
                defaultValue={time.ofDay(start)}
                className="w-32"
                onBlur={(e) => {
                  const to = momentOf(localDay(start, units), timeIn(e.target.value) ?? '', units);
                  if (Number.isNaN(to)) e.target.value = time.ofDay(start);
                  else if (localTime(to, units) !== localTime(start, units)) onMove(to);
                }}
                onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                inputClass="!min-h-14 text-xl font-semibold"
              />
              <Button
                size="work"
                aria-label={`${step.name}: five minutes later`}
                onClick={() => onMove(start + NUDGE_MS)}
              >
                <Plus size={20} aria-hidden />5
              </Button>
              {moved ? (
                <Button size="work" onClick={onRelease}>
                  Let it follow again
                </Button>
              ) : null}
            </div>
          )}
        </div>
      ) : null}
    </li>
  );
}
