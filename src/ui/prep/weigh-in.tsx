'use client';
import { Check, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Batch } from '@/core/batch/batch';

import { bareName, type SheetLine } from '@/core/batch/sheet-line';
import { mixesIn, mixName } from '@/core/batch/split';
import { piecesOf } from '@/core/batter/volume';
import { VESSEL_NAMES } from '@/core/card/parts';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { pouredG } from '@/core/formula/tally';
import { scalesOf } from '@/core/pantry/gear';
import type { Ingredient } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { offersFor, type StandInOffer } from '@/core/prep/mise';
import type { ScaleAct, ScaleReading } from '@/core/prep/simulated-scale';
import type { Rebalanced } from '@/core/prep/weigh';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { useInstrument } from '../kit/instrument';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { ScalePanel } from '../shared/scale-panel';
import { StillRails } from '../shared/still-rails';
import { sayWeight, TargetReading } from '../shared/target-reading';
import type { Done } from './done';
import { type WeighTyped, weighAtHand } from './weigh-in.state';

interface Props {
  readonly batch: Batch;
  readonly house: Kitchen;
  readonly lines: readonly SheetLine[];
  readonly done: Done;
  readonly anew: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
  /** Stand-ins by line of the formula, and one for the missing part of a line. */
  readonly offers: Readonly<Record<string, readonly StandInOffer[]>>;
  readonly part: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
  readonly onChanged: () => void;
}

/** The weigh-in: one ingredient at a time, target and reading, and what becomes of the rest when too much went in. */
export function WeighIn({ batch, house, lines, done, anew, offers, part, onChanged }: Props) {
  const scale = useInstrument<ScaleReading, ScaleAct>('/api/scale', 'practice-scale');
  const asking = useAsking();
  const [at, setAt] = useState<WeighTyped>({ typed: '', back: null, sure: false, adds: null });
  const set = (part: Partial<WeighTyped>): void => setAt((t) => ({ ...t, ...part }));
  const box = useRef<HTMLInputElement>(null);
  // several things into one bowl that stays on the scale: what it showed when the last was in
  const addsName = `adds:${batch.id}`;
  useEffect(() => {
    const adds = copyOf(addsName);
    if (typeof adds === 'number') setAt((t) => ({ ...t, adds }));
  }, [addsName]);
  const addUp = (adds: number | null): void => {
    set({ adds });
    keepCopy(addsName, adds);
  };
  const find = (id: string): Ingredient | undefined => findIngredient(id, house.conventions.own);
  const stepG = scalesOf(house.gear)[0]?.stepG ?? 1;
  const it = weighAtHand(at, { batch, lines, done, stepG, reading: scale.reading, find });
  const key = it?.line.key ?? '';

  // another ingredient: the box is empty and under the hand
  useEffect(() => {
    if (key === '') return;
    setAt((t) => ({ ...t, typed: '', sure: false }));
    box.current?.focus({ preventScroll: true });
  }, [key]);

  if (!it) return <p className="text-xl font-semibold text-herb">✓ All of it is weighed.</p>;

  const { typed, back, sure, adds } = at;
  const { line, weighed, target, tolerance, now, mix, bowl, last, over, short } = it;
  const { shown, reading, stands, off } = now;
  /** It is in: the bowl is tared, or stays as it is and adds up. */
  const isIn = (): void => {
    done.put(line.key, Math.round(reading * 100) / 100);
    if (adds !== null) addUp(shown);
    else if (scale.on) scale.act({ do: 'tare' });
    set({ back: null });
  };
  /** @param all the same: what is off is seen, and goes in as it is */
  const next = (allTheSame = sure): void => {
    if (!weighed) {
      done.put(line.key, true);
      set({ back: null });
    } else if (!(Number.isNaN(reading) || reading < 0 || scale.reading?.over)) {
      if (stands !== 'right' && !allTheSame) set({ sure: true });
      else isIn();
    }
  };
  /** It is in as it is, and the rest is worked anew: around it, or as told. */
  const workedAnew = async (how?: object): Promise<void> => {
    isIn();
    // it stands on what was weighed: where that still waits, it waits behind it
    await done.settle();
    const input = { batchId: batch.id, mix, ...(how && { how }) };
    const a = await asking.ask(() => act('rebalance', `${batch.name}: the rest worked anew`, anew, input, batch.id));
    if (a?.ok) onChanged();
  };
  const fill = async (o: StandInOffer): Promise<void> => {
    const hasG = reading;
    const a = await asking.ask((requestId) =>
      act(
        'stand-in-part',
        `${batch.name}: ${o.name} for the rest of ${bareName(line).toLowerCase()}`,
        part,
        { batchId: batch.id, lineKey: line.key, hasG, to: o.to, with: o.with, requestId },
        batch.id,
      ),
    );
    if (!a?.ok) return;
    isIn();
    onChanged();
  };
  return (
    <section aria-label="Weigh-in" className="grid gap-4">
      <span role="status" className="sr-only">
        Next: {weighed ? sayWeight(target) : line.measure} {line.name}
      </span>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="min-w-0 text-4xl [overflow-wrap:anywhere]">{line.name}</h2>
        <p className="text-lg text-soft">
          {line.side ?? VESSEL_NAMES[line.vessel]}
          {mixesIn(batch.split) > 1 && line.mix !== undefined ? `, ${mixName(batch.split, line.mix)}` : ''}
          {line.preparation ? `; ${line.preparation}` : ''}
        </p>
      </div>
      {weighed ? (
        <TargetReading
          target={target}
          tolerance={tolerance}
          proposed={line.usualG !== undefined}
          more={`${adds === null ? '' : `; the bowl then shows ${sayWeight(adds + target)}`}${line.was !== undefined ? `; planned ${sayWeight(line.was)}` : ''}`}
          scale={scale}
          now={now}
          typed={typed}
          box={box}
          onTyped={(text) => {
            set({ typed: text, sure: false });
            asking.touched();
          }}
          onEnter={() => (stands === 'right' ? next() : Number.isNaN(reading) ? undefined : set({ sure: true }))}
        />
      ) : (
        <p className="rounded-plate bg-white p-4 text-[56px] leading-tight font-bold">{line.measure}</p>
      )}
      {line.usualG ? (
        <Notice weight="note">
          Nobody told how much. Pour until it looks right: what went in can become the formula’s amount.
        </Notice>
      ) : null}
      {scale.stalled ? (
        <Notice weight="look" role="status">
          The scale does not answer. Type what it shows, and go on.
        </Notice>
      ) : null}
      {over ? (
        <OverPour
          over={over}
          portionMl={batch.portionMl}
          lines={bowl}
          by={reading - target}
          busy={asking.busy}
          onKeep={() => void workedAnew()}
          onNote={() => next(true)}
        />
      ) : null}
      {short !== null ? (
        <TooLittle
          share={short / target}
          pieces={batch.piecesPlanned}
          mixes={mixesIn(batch.split)}
          anew={it.around()}
          lines={bowl}
          begun={bowl.some((l) => l.key !== line.key && done.ticked.has(l.key))}
          offers={offersFor(line.key.replace(/m\d+$/, ''), offers)}
          by={target - short}
          name={bareName(line)}
          busy={asking.busy}
          onSmaller={() => void workedAnew({ by: 'smaller', key: line.key })}
          onRest={() => void workedAnew({ by: 'ratios' })}
          onFill={(o) => void fill(o)}
        />
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <div className="flex flex-wrap gap-3">
        <Button
          look={over || short !== null ? 'plain' : 'now'}
          size="work"
          className="min-h-16 !px-8 text-xl"
          disabled={weighed && (Number.isNaN(reading) || reading < 0 || Boolean(over))}
          onClick={() => next()}
        >
          <Check size={24} aria-hidden />
          {sure && off !== null
            ? `Go on, ${sayWeight(Math.abs(off))} ${off < 0 ? 'short' : 'over'}`
            : weighed
              ? 'That is in: next'
              : 'Done: next'}
        </Button>
        {last ? (
          <Button size="work" onClick={() => set({ back: last.key })}>
            <Undo2 size={20} aria-hidden />
            {last.name.length > 24 ? 'The one before' : last.name} again
          </Button>
        ) : null}
        {back !== null ? (
          <Button size="work" onClick={() => set({ back: null })}>
            Leave it as it was
          </Button>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Switch
          size="work"
          label="one bowl on the scale, adding up"
          on={adds !== null}
          onSwitch={(on) => addUp(on ? 0 : null)}
        />
        {adds === null ? null : (
          <Button className="min-h-11" onClick={() => addUp(0)}>
            The scale is tared: it shows nothing again
          </Button>
        )}
      </div>
      <Button className="min-h-11 justify-self-start" aria-pressed={scale.on} onClick={() => scale.turn(!scale.on)}>
        {scale.on ? 'Put the practice scale away' : 'Try it with a practice scale'}
      </Button>
      {scale.on ? <ScalePanel target={target} act={scale.act} /> : null}
    </section>
  );
}

/** Less of it than is wanted, and no more to be had. */
function TooLittle({
  share,
  pieces,
  mixes,
  anew,
  lines,
  begun,
  offers,
  by,
  name,
  busy,
  onSmaller,
  onRest,
  onFill,
}: {
  /** Of what is wanted. */
  readonly share: number;
  readonly pieces: number | null;
  readonly mixes: number;
  readonly anew: Rebalanced;
  readonly lines: readonly SheetLine[];
  /** Something else of the mix is weighed already. */
  readonly begun: boolean;
  readonly offers: readonly StandInOffer[];
  readonly by: number;
  readonly name: string;
  readonly busy: boolean;
  readonly onSmaller: () => void;
  readonly onRest: () => void;
  readonly onFill: (o: StandInOffer) => void;
}) {
  const changes = lines.flatMap((l) => {
    const g = anew.grams.get(l.key);
    return g === undefined || l.grams === null
      ? []
      : [`${bareName(l).toLowerCase()} ${sayWeight(l.grams)} → ${sayWeight(g)}`];
  });
  const fewer = pieces === null ? null : Math.max(1, Math.floor(pieces * (1 - (1 - share) / mixes) + 1e-6));
  return (
    <section aria-label="Too little" className="grid gap-3 rounded-plate border-4 border-rim bg-white p-4">
      <h3 className="text-2xl">No more of it? {sayWeight(by)} too little</h3>
      <div className="grid justify-items-start gap-2">
        <Button look="now" size="work" disabled={busy} onClick={onSmaller}>
          All of it smaller{fewer === null ? '' : `: ${fewer} instead of ${pieces}`}
        </Button>
        {begun ? <p className="text-soft">What is weighed already stays in: those ratios run a little high.</p> : null}
        {changes.length > 0 ? (
          <>
            <Button size="work" disabled={busy} onClick={onRest}>
              The rest balanced around what there is
            </Button>
            <p className="text-soft">{changes.join('; ')}.</p>
          </>
        ) : null}
        {offers.length > 0 ? (
          <details>
            <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
              Something else for what is missing of {name.toLowerCase()}
            </summary>
            <span className="mt-2 grid justify-items-start gap-2">
              {offers.map((o) => (
                <span key={`${o.to} ${o.with}`} className="flex flex-wrap items-center gap-3">
                  <Button size="work" disabled={busy} onClick={() => onFill(o)}>
                    {o.name}, for {sayWeight(by)}
                  </Button>
                  <span className="text-soft">
                    {o.says}
                    {o.caution ? <strong className="text-ink">. {o.caution}</strong> : null}
                  </span>
                </span>
              ))}
            </span>
          </details>
        ) : null}
      </div>
    </section>
  );
}

function OverPour({
  over,
  portionMl,
  lines,
  by,
  busy,
  onKeep,
  onNote,
}: {
  readonly over: Rebalanced;
  readonly portionMl: number | null;
  readonly lines: readonly SheetLine[];
  readonly by: number;
  readonly busy: boolean;
  readonly onKeep: () => void;
  readonly onNote: () => void;
}) {
  const changes = lines.flatMap((l) => {
    const g = over.grams.get(l.key);
    return g === undefined || l.grams === null ? [] : [{ key: l.key, name: l.name, from: l.grams, to: g }];
  });
  const { volume, tally } = over.anew;
  const pieces = portionMl && volume ? piecesOf(pouredG(tally), volume.densityGPerMl, portionMl).pieces : null;
  const atTheEnd = lines
    .filter((l) => l.mostG !== undefined && (over.grams.get(l.key) ?? l.grams ?? 0) >= l.mostG - 0.5)
    .map((l) => l.name);
  return (
    <section aria-label="Too much" className="grid gap-3 rounded-plate border-4 border-rim bg-white p-4">
      <h3 className="text-2xl">{sayWeight(by)} too much</h3>
      <p className="text-lg">
        Take {sayWeight(by)} out again (from a clean spoon, and not from what has touched egg or milk), or keep it:
      </p>
      {changes.length > 0 ? (
        <>
          <ul className="grid gap-x-8 text-lg sm:grid-cols-2">
            {changes.map((c) => (
              <li key={c.key} className="flex justify-between gap-3 border-b border-line py-1">
                <span className="min-w-0 [overflow-wrap:anywhere]">{bareName(c)}</span>
                <span className="whitespace-nowrap">
                  <span className="text-soft">{sayWeight(c.from)}</span> → <strong>{sayWeight(c.to)}</strong>
                </span>
              </li>
            ))}
          </ul>
          {pieces !== null ? <p className="text-lg">This bowl then pours {pieces}.</p> : null}
          {atTheEnd.length > 0 ? <p>There is no more of {atTheEnd.join(', ')}: it stays at what there is.</p> : null}
          <details>
            <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">The ratios then</summary>
            <StillRails rails={over.anew.rails} />
          </details>
        </>
      ) : (
        <p>What is not yet weighed can’t make up for it.</p>
      )}
      <div className="flex flex-wrap gap-3">
        {changes.length > 0 ? (
          <Button look="now" size="work" disabled={busy} onClick={onKeep}>
            Keep it, and work the rest anew
          </Button>
        ) : null}
        <Button size="work" disabled={busy} onClick={onNote}>
          Note it and go on
        </Button>
      </div>
    </section>
  );
}
