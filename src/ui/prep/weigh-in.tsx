'use client';
import { Check, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { refuse } from '@/contract/action-result';
import type { Batch } from '@/core/batch/batch';

import { bareName, bowlLines, goesOnScale, type SheetLine } from '@/core/batch/sheet-line';
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
import { toleranceG } from '@/core/prep/tolerance';
import { rebalance } from '@/core/prep/weigh';
import type { Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { useInstrument } from '../kit/instrument';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { ScalePanel } from '../shared/scale-panel';
import { StillRails } from '../shared/still-rails';
import { sayWeight, shownOf, TargetReading } from '../shared/target-reading';
import type { Done } from './done';

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
  const [typed, setTyped] = useState('');
  const [back, setBack] = useState<string | null>(null);
  const [sure, setSure] = useState(false);
  const box = useRef<HTMLInputElement>(null);
  // several things into one bowl that stays on the scale: what it showed when the last was in
  const [adds, setAdds] = useState<number | null>(null);
  const addsName = `adds:${batch.id}`;
  useEffect(() => {
    const had = copyOf(addsName);
    if (typeof had === 'number') setAdds(had);
  }, [addsName]);
  const addUp = (g: number | null): void => {
    setAdds(g);
    keepCopy(addsName, g);
  };
  const left = lines.filter((l) => !done.ticked.has(l.key));
  const line = lines.find((l) => l.key === back) ?? left[0] ?? null;
  const find = (id: string): Ingredient | undefined => findIngredient(id, house.conventions.own);
  const stepG = scalesOf(house.gear)[0]?.stepG ?? 1;
  const target = line?.grams ?? 0;
  const ingredient = line?.parts?.length === 1 ? (find(line.parts[0]?.id ?? '') ?? null) : null;
  const tolerance = toleranceG(ingredient, target, stepG);
  const now = shownOf(typed, scale.reading, adds ?? 0, target, tolerance);
  const { shown, reading, stands, off } = now;
  const key = line?.key ?? '';

  // another ingredient: the box is empty and under the hand
  useEffect(() => {
    if (key === '') return;
    setTyped('');
    setSure(false);
    box.current?.focus({ preventScroll: true });
  }, [key]);

  if (!line) return <p className="text-xl font-semibold text-herb">✓ All of it is weighed.</p>;

  const weighed = goesOnScale(line);
  const last = [...lines].reverse().find((l) => done.ticked.has(l.key) && l.key !== line.key);
  /** It is in: the bowl is tared, or stays as it is and adds up. */
  const isIn = (): void => {
    done.put(line.key, Math.round(reading * 100) / 100);
    if (adds !== null) addUp(shown);
    else if (scale.on) scale.act({ do: 'tare' });
  };
  /** @param all the same: what is off is seen, and goes in as it is */
  const next = (allTheSame = sure): void => {
    if (!weighed) done.put(line.key, true);
    else {
      if (Number.isNaN(reading) || reading < 0 || scale.reading?.over) return;
      if (stands !== 'right' && !allTheSame) {
        setSure(true);
        return;
      }
      isIn();
    }
    setBack(null);
  };
  const mix = line.mix ?? 1;
  const bowls = bowlLines(batch.sheet, mix);
  const inBowl = bowls.some((l) => l.key === line.key);
  // what is ticked without a weight went in as the sheet says
  const went = Object.fromEntries(
    bowls.flatMap((l) => (done.ticked.has(l.key) ? [[l.key, done.weights[l.key] ?? l.grams ?? 0]] : [])),
  );
  const over =
    stands === 'over' && inBowl && weighed
      ? rebalance(bowls, { ...went, [line.key]: reading }, batch.kind, find)
      : null;
  const keep = async (): Promise<void> => {
    isIn();
    setBack(null);
    const a = await asking.ask(
      async (): Promise<{ readonly ok: true } | Refused> =>
        (await done.settle())
          ? anew({ batchId: batch.id, mix })
          : refuse(
              'What was weighed has not reached the records yet: the rest is worked anew when it has. Ask again then.',
            ),
    );
    if (a?.ok) onChanged();
  };
  /** There is no more of it: all of it smaller, or the rest worked around what there is. */
  const shortOf = async (how: object): Promise<void> => {
    isIn();
    setBack(null);
    const a = await asking.ask(
      async (): Promise<{ readonly ok: true } | Refused> =>
        (await done.settle())
          ? anew({ batchId: batch.id, mix, how })
          : refuse('What was weighed has not reached the records yet. Ask again then.'),
    );
    if (a?.ok) onChanged();
  };
  const fill = async (o: StandInOffer): Promise<void> => {
    const has = reading;
    const a = await asking.ask(() => part({ batchId: batch.id, lineKey: line.key, hasG: has, to: o.to, with: o.with }));
    if (!a?.ok) return;
    isIn();
    setBack(null);
    onChanged();
  };
  const short = stands === 'under' && sure && inBowl && weighed && reading > 0 ? reading : null;
  return (
    <section aria-label="Weigh-in" className="grid gap-4">
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
          more={`${adds === null ? '' : `; the bowl then shows ${sayWeight(adds + target)}`}${line.was !== undefined ? `; planned ${sayWeight(line.was)}` : ''}`}
          scale={scale}
          now={now}
          typed={typed}
          box={box}
          onTyped={(text) => {
            setTyped(text);
            setSure(false);
            asking.touched();
          }}
          onEnter={() => (stands === 'right' ? next() : Number.isNaN(reading) ? undefined : setSure(true))}
        />
      ) : (
        <p className="rounded-plate bg-white p-4 text-[56px] leading-tight font-bold">{line.measure}</p>
      )}
      {scale.stalled ? (
        <Notice weight="look" role="status">
          The scale does not answer. Type what it shows, and go on.
        </Notice>
      ) : null}
      {over ? (
        <OverPour
          over={over}
          portionMl={batch.portionMl}
          lines={bowls}
          by={reading - target}
          busy={asking.busy}
          onKeep={() => void keep()}
          onNote={() => next(true)}
        />
      ) : null}
      {short !== null ? (
        <TooLittle
          share={short / target}
          pieces={batch.piecesPlanned}
          mixes={mixesIn(batch.split)}
          anew={rebalance(bowls, { ...went, [line.key]: short }, batch.kind, find)}
          lines={bowls}
          begun={bowls.some((l) => l.key !== line.key && done.ticked.has(l.key))}
          offers={offersFor(line.key.replace(/m\d+$/, ''), offers)}
          by={target - short}
          name={bareName(line)}
          busy={asking.busy}
          onSmaller={() => void shortOf({ by: 'smaller', key: line.key })}
          onRest={() => void shortOf({ by: 'ratios' })}
          onFill={(o) => void fill(o)}
        />
      ) : null}
      <RefusalNotice text={asking.refusal} />
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
          <Button size="work" onClick={() => setBack(last.key)}>
            <Undo2 size={20} aria-hidden />
            {last.name.length > 24 ? 'The one before' : last.name} again
          </Button>
        ) : null}
        {back !== null ? (
          <Button size="work" onClick={() => setBack(null)}>
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
  readonly anew: ReturnType<typeof rebalance>;
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
  readonly over: ReturnType<typeof rebalance>;
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
