import { Printer } from 'lucide-react';
import { useMemo } from 'react';
import { unsettled } from '@/core/analyse-formula';
import { inMeasures } from '@/core/batch/exactness';
import { washes } from '@/core/batch/order';
import { oneMix } from '@/core/batch/plan';
import { toolOf } from '@/core/batch/sheet';
import { ONE } from '@/core/batch/split';
import { atEnd, type Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { notUnderstood } from '@/core/formula/lines';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { counted, grams } from '@/core/quantity/say';
import { type Asking, RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { sheetAbout } from './about';
import { AfterSheet } from './after-sheet';
import { ForetoldView } from './foretold';
import { GuestBowl } from './guest-bowl';
import { MeasureSheet } from './measure-sheet';
import type { PlanStands } from './plan-opens';
import { ClaimView, LargeBowlWords, YieldWords } from './plan-words';
import { Unsettled } from './unsettled';
import type { PlanWorked } from './use-plan';

/** What stands in the way of a start, and the presses that start it, keep it and print it. */
export function PlanStart({
  formula,
  house,
  back,
  s,
  change,
  p,
  asking,
  saved,
  start,
  keep,
}: {
  readonly formula: Formula;
  readonly house: Kitchen;
  /** Where the formula's lines are put right. */
  readonly back: string;
  readonly s: PlanStands;
  readonly change: (part: Partial<PlanStands>) => void;
  readonly p: PlanWorked;
  readonly asking: Asking;
  readonly saved: boolean;
  readonly start: () => Promise<void>;
  readonly keep: () => Promise<void>;
}) {
  const { units } = p;
  const ok = (p.planned !== null || p.bagsAlone !== null) && p.besideRead.sides !== null;
  const stops = useMemo(() => unsettled(formula, house, s.end), [formula, house, s.end]);
  // a line that is not understood never goes into a batch unseen
  const unread = notUnderstood(p.lines);
  const open = p.lines.filter((l) => l.use === 'batter' && l.parts.length === 0);
  return (
    <section aria-label="Start" className="grid gap-3 print:hidden">
      <Unsettled findings={stops} back={back} />
      {p.refused ? (
        <Notice weight="stop" role="alert">
          {p.refused.message}
        </Notice>
      ) : null}
      {unread.length > 0 ? (
        <Notice weight="stop" role="alert">
          {unread.length === 1 ? 'One line is' : `${unread.length} lines are`} not understood:{' '}
          {unread.map((l) => `“${l.text.slice(0, 50)}”`).join(', ')}. Say on the Bench what is meant, or leave it out
          there.{' '}
          <Link className="font-semibold text-rim underline" href={back}>
            To the Bench
          </Link>
        </Notice>
      ) : open.length > 0 ? (
        <Notice weight="look">
          {open.length === 1 ? 'One line has' : `${open.length} lines have`} no grams and{' '}
          {open.length === 1 ? 'is' : 'are'} left as the card has them:{' '}
          {open.map((l) => `"${l.text.slice(0, 50)}"`).join(', ')}.
        </Notice>
      ) : null}
      {ok && p.short.length > 0 ? (
        <Notice weight="look">
          Short in stock: {p.short.map((r) => `${kitchenName(r.ingredient)} ${grams(r.shortG ?? 0, units)}`).join(', ')}
          .{s.take ? ' The batch takes what there is.' : ''}
        </Notice>
      ) : null}
      <RefusalNotice text={asking.refusal ?? asking.errors.serving ?? null} waits={asking.waits} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Form act={start}>
          <Button type="submit" look="now" size="work" disabled={!ok || unread.length > 0 || asking.busy}>
            {asking.busy ? 'Starting' : p.bagsAlone ? 'Start the bags' : 'Start this batch'}
          </Button>
        </Form>
        <Button size="work" disabled={!ok || unread.length > 0 || asking.busy} onClick={() => void keep()}>
          {saved ? 'Keep the change' : 'Keep it for later'}
        </Button>
        <Button size="work" disabled={!ok} onClick={() => window.print()}>
          <Printer size={20} aria-hidden />
          Print
        </Button>
        <Switch label="take it from stock" on={s.take} onSwitch={(take) => change({ take })} />
      </div>
    </section>
  );
}

/** The sheet to mix from, and what follows from it. */
export function PlanSheet({
  formulaId,
  formula,
  house,
  shelf,
  number,
  notice,
  s,
  p,
}: {
  readonly formulaId: string;
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly number: number;
  readonly notice: string;
  readonly s: PlanStands;
  readonly p: PlanWorked;
}) {
  const { kind, units, driver, planned } = p;
  const n = p.split?.split ? p.split.split : null;
  const spared = washes(p.lines.map((l) => ({ ingredient: l.ingredient, tool: toolOf(l) })));
  const piecesName = p.second ? 'pieces' : kind.pieces;
  if (!planned)
    return (
      <section aria-label="Mixing sheet" className="rounded-plate bg-white p-5 text-soft">
        {p.bagsAlone
          ? 'All of it comes from bags: started, each has its sheet.'
          : 'The sheet stands here as soon as the numbers on the left are right.'}
      </section>
    );
  return (
    <>
      <MeasureSheet
        title={
          formula.ends && !s.both
            ? `${formula.name}, ${formula.ends.find((e) => e.id === s.end)?.name ?? ''}`
            : formula.name
        }
        about={[
          ...sheetAbout({
            driver,
            split: n,
            wanted: p.wanted,
            made: planned.pieces?.each ?? null,
            portionMl: p.pan ? null : p.portionMl,
            pieces: kind.pieces,
            massG: planned.massG,
            volumeMl: planned.volumeMl,
            cups: inMeasures(s.exactness),
            units,
          }),
          `version ${number}`,
          spared > 0
            ? `measured with spoons, this order spares ${spared === 1 ? 'one rinse' : `${spared} rinses`} against the card’s`
            : '',
        ]}
        script={p.script}
        lines={oneMix(p.sheet)}
        split={n ?? undefined}
        oneBowl={s.exactness === 'eye'}
        units={units}
      />
      <div className="grid gap-1 text-[15px] print:hidden">
        {p.density !== null && !p.pan && !p.second ? (
          <YieldWords
            kind={kind.id}
            pieces={p.pieces}
            portionMl={p.portionMl}
            said={p.portionSaid}
            density={p.density}
            restMl={p.wanted === null ? (planned.pieces?.restMl ?? null) : null}
            pace={p.pace}
            piecesName={kind.pieces}
            units={units}
            cups={inMeasures(s.exactness)}
          />
        ) : null}
        <ClaimView formula={atEnd(formula, s.end)} lines={p.lines} portionMl={p.pan ? null : p.portionMl} />
        <LargeBowlWords
          house={house}
          formula={formula}
          massG={planned.one.massG}
          leavened={p.lines.some((l) => l.parts.some((x) => x.ingredient.category === 'leavening'))}
        />
      </div>
      <ForetoldView foretold={p.foretold} units={units} />
      <AfterSheet
        notice={notice}
        lines={p.account}
        takes={p.takes}
        split={n ?? ONE}
        shelf={shelf}
        units={units}
        pieces={p.pieces === null ? null : p.pieces + (p.bags?.pieces ?? 0)}
        piecesName={piecesName}
        covers={p.covers}
      >
        <GuestBowl
          formulaId={formulaId}
          lines={p.account}
          many={
            driver?.by === 'guests'
              ? counted(driver.guests, 'people')
              : p.pieces === null || p.second
                ? null
                : counted(p.pieces, kind.pieces)
          }
          each={driver?.by === 'guests' ? driver.each : null}
          servingAt={s.serving?.at ?? null}
          units={units}
        />
      </AfterSheet>
    </>
  );
}
