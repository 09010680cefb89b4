'use client';
import { GripVertical, Lock, LockOpen } from 'lucide-react';
import dynamic from 'next/dynamic';
import { type KeyboardEvent, memo, useRef, useState } from 'react';
import type { BenchLine } from '@/core/bench/sight';
import { DRESSING_NAMES, type Formula, MOMENT_NAMES, whitesSaid } from '@/core/formula/formula';
import { sayDay } from '@/core/quantity/day';
import { grams, massNumber, OZ_G, percent, percentNumber } from '@/core/quantity/say';
import { Button, lookOf } from '../kit/button';
import { lineKey } from '../kit/keys-table';
import { Link } from '../kit/link';
import { Press } from '../kit/press';
import { useScaleless, useUnits } from '../kit/units';
import type { LineDiff } from './diff';
import { DragHandle, DragLine } from './drag-lines';
import { LineMenu } from './line-menu';
import type { LineTools } from './line-tools';
import { NumberCell } from './number-cell';

// fetched when a line is stepped into
const WordsStrip = dynamic(() => import('./words-strip').then((m) => m.WordsStrip), { ssr: false });

interface Props {
  readonly line: BenchLine;
  readonly flourG: number;
  /** The flour as proposed. */
  readonly flourThenG: number;
  /** Not the only flour: its share can be changed. */
  readonly blended: boolean;
  readonly diff: LineDiff | undefined;
  readonly ends: Formula['ends'];
  readonly tools: LineTools;
  readonly onFocus: (key: string | null) => void;
  readonly onMove: (from: HTMLInputElement, by: 1 | -1) => void;
  readonly onShift: (key: string, by: 1 | -1) => void;
}

/** Columns of a row of the sheet, and of its head. */
export const ROW_GRID =
  'grid items-center gap-x-1 max-sm:grid-cols-[1.5rem_1fr_4.4rem_2.75rem_2.75rem] sm:grid-cols-[1.5rem_1fr_5rem_4.1rem_2rem_2rem]';
/** On a small screen the words have a row of their own, and the numbers the next. */
const WORDS = 'max-sm:col-span-4 max-sm:col-start-2';

/** A bracket worth a line of its own: a wide one, and any that rests on a way of filling nobody stated. */
const isWide = (l: BenchLine): boolean =>
  l.grams !== null &&
  l.gramsLow !== null &&
  l.gramsHigh !== null &&
  (l.basis === 'fill-not-stated' || l.gramsHigh - l.gramsLow > 0.12 * l.grams);

/** How long the mouse lies still on a line before its reading shows. */
const RESTS_MS = 600;

/** "912 g buttermilk" where it was "880 g buttermilk" says no more than the weight beside it. */
const tellsMore = (text: string, was: string): boolean => {
  const [a, b] = [text, was].map((t) => /^[\d.]+ g (.*)$/.exec(t)?.[1]);
  return a === undefined || a !== b;
};

/**
 * One line of the sheet: as the cook wrote it, what that weighs and what share of the flour it is; each can be typed
 * over.
 */
export const LineRow = memo(function LineRow({
  line,
  flourG,
  flourThenG,
  blended,
  diff,
  ends,
  tools,
  onFocus,
  onMove,
  onShift,
}: Props) {
  const { send } = tools;
  const units = useUnits();
  const scaleless = useScaleless();
  // what goes in the pan or on the table may well have no amount
  const asNeeded = line.use !== 'batter' && line.grams === null && !line.hasAmount;
  const asks = line.status !== 'read' && !asNeeded && !line.off;
  const { flour } = line;
  const pct =
    line.grams !== null && line.use === 'batter' && flourG > 0 && !line.off ? (100 * line.grams) / flourG : null;
  const onKey = (e: KeyboardEvent<HTMLInputElement>): void => {
    const act = e.ctrlKey || e.metaKey ? null : lineKey({ key: e.key, code: e.code, altKey: e.altKey });
    if (act === 'up' || act === 'down') onShift(line.key, act === 'up' ? -1 : 1);
    else if (act === 'remove') {
      onMove(e.currentTarget, 1);
      send({ do: 'take-off', key: line.key });
    } else if (act === 'lock') tools.choose(line.key, { pinned: line.pinned ? undefined : true });
    else if (act === 'off') send({ do: 'switch', key: line.key, off: !line.off });
    else if (act === 'swap') tools.ask('swap', line.key);
    else if (e.key === 'Enter' || e.key === 'ArrowDown') onMove(e.currentTarget, 1);
    else if (e.key === 'ArrowUp') onMove(e.currentTarget, -1);
    else return;
    e.preventDefault();
  };
  // how the words were read: under the line while it is typed in, over the next one while the mouse rests on it
  const [told, setTold] = useState<'typing' | 'resting' | null>(null);
  const rest = useRef<ReturnType<typeof setTimeout> | null>(null);
  const onRest = (on: boolean): void => {
    if (rest.current) clearTimeout(rest.current);
    rest.current = on ? setTimeout(() => setTold((t) => t ?? 'resting'), RESTS_MS) : null;
    if (!on) setTold((t) => (t === 'resting' ? null : t));
  };
  const says = `says-${line.key}`;
  const reads = `reads-${line.key}`;
  const short = line.text.slice(0, 60) || 'an empty line';
  const marks = asks ? 'my-1 rounded-hold border-l-8 border-rim bg-white' : diff ? 'rounded-hold bg-butter/45' : '';
  const endName = line.end === null ? null : (ends?.find((e) => e.id === line.end)?.name ?? null);
  return (
    <DragLine id={line.key} className={marks}>
      <div className={`${ROW_GRID} max-sm:border-b max-sm:border-line max-sm:pb-1`}>
        <DragHandle
          label={`Move ${short}`}
          className="when-near grid h-9 cursor-grab touch-none place-items-center rounded text-soft hover:text-rim focus-visible:text-rim"
        >
          <GripVertical size={16} aria-hidden />
        </DragHandle>
        <input
          autoComplete="off"
          data-line
          aria-label="Line on the card"
          aria-describedby={
            [line.findings.length > 0 && !asNeeded ? says : '', told ? reads : ''].filter(Boolean).join(' ') ||
            undefined
          }
          aria-invalid={asks ? true : undefined}
          value={line.text}
          onChange={(e) => send({ do: 'type', key: line.key, text: e.target.value })}
          onFocus={() => {
            setTold('typing');
            onFocus(line.key);
          }}
          onBlur={() => {
            setTold(null);
            onFocus(null);
          }}
          onMouseEnter={() => onRest(true)}
          onMouseLeave={() => onRest(false)}
          onKeyDown={onKey}
          spellCheck={false}
          className={`${WORDS} min-h-9 w-full min-w-0 rounded-t-lg border-2 border-b border-transparent border-b-edge bg-transparent px-1.5 text-ellipsis hover:border-line focus:border-rim focus:bg-white focus:outline-none ${line.off || diff?.goes ? 'text-soft line-through' : ''}`}
        />
        <span className="text-right leading-tight max-sm:col-start-2" data-grams={line.key}>
          {line.grams === null ? (
            <span className="text-soft">{asNeeded ? 'as needed' : scaleless ? 'no amount' : 'no grams'}</span>
          ) : scaleless ? null : diff ? (
            <Becomes diff={diff} />
          ) : (
            <>
              <NumberCell
                label={`${units.weight === 'g' ? 'Grams' : 'Ounces'} of ${short}`}
                value={massNumber(line.grams, units)}
                unit={units.weight}
                strong={!line.off}
                fixed={
                  line.off
                    ? 'Switched off'
                    : line.drainedG > 0
                      ? 'What goes in after pressing: change the line itself'
                      : null
                }
                most={1_000_000}
                onCommit={(x) => send({ do: 'grams', key: line.key, grams: units.weight === 'g' ? x : x * OZ_G })}
              />
              {isWide(line) && !line.off ? (
                <span className="block text-xs text-soft">
                  {massNumber(line.gramsLow ?? 0, units)} to {massNumber(line.gramsHigh ?? 0, units)}
                </span>
              ) : null}
            </>
          )}
        </span>
        {diff ? (
          <span className="pr-1 text-right text-soft">
            {diff.becomes === null || line.use !== 'batter' || !(flourThenG > 0)
              ? ''
              : percent((100 * diff.becomes) / flourThenG)}
          </span>
        ) : pct === null ? (
          <span className="text-right text-sm text-soft">{line.off ? 'off' : ''}</span>
        ) : (
          <NumberCell
            label={`Percent of flour of ${short}`}
            value={pct > 9999 ? '> 9999' : percentNumber(pct)}
            unit="%"
            strong={flour}
            fixed={flour && !blended ? 'The only flour is always 100 %' : null}
            most={flour ? 99 : 5000}
            onCommit={(p) => send({ do: 'percent', key: line.key, percent: p })}
          />
        )}
        {line.use === 'batter' && line.grams !== null ? (
          <Press
            aria-pressed={line.pinned}
            aria-label={`Keep ${short}`}
            title={line.pinned ? 'Kept: it does not move' : 'Keep: this one does not move'}
            onClick={() => tools.choose(line.key, { pinned: line.pinned ? undefined : true })}
            className={`when-near grid h-9 max-sm:h-11 place-items-center rounded-hold ${line.pinned ? 'bg-rim text-white' : 'text-soft hover:bg-wash'}`}
          >
            {line.pinned ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
          </Press>
        ) : (
          <span />
        )}
        <LineMenu line={line} ends={ends} tools={tools} onShift={onShift} />
      </div>
      {told && line.words.length > 1 ? (
        <div className={told === 'typing' ? 'py-1 pr-2 pl-8' : 'relative'}>
          <div
            className={
              told === 'resting'
                ? 'pointer-events-none absolute left-8 z-20 rounded-hold border border-line bg-white px-3 py-2 shadow-md'
                : ''
            }
          >
            <WordsStrip words={line.words} id={reads} />
          </div>
        </div>
      ) : null}
      {diff?.text && tellsMore(diff.text, line.text) ? (
        <p className="pr-2 pb-1 pl-8 text-sm">becomes “{diff.text}”</p>
      ) : null}
      <Remarks line={line} endName={endName} />
      {line.findings.length > 0 && !asNeeded && !line.off ? (
        <div id={says} className="flex flex-wrap items-center gap-x-2 gap-y-1 pr-2 pb-1.5 pl-8 text-sm">
          {line.findings.map((f) => (
            <span key={f.code} className={asks || f.code === 'amounts-disagree' ? 'font-semibold' : 'text-soft'}>
              {f.message}
            </span>
          ))}
          <Settle line={line} tools={tools} />
          {asks ? <WaysOut line={line} tools={tools} /> : null}
        </div>
      ) : null}
    </DragLine>
  );
});

/** Old, new and the difference, while a proposal stands. */
function Becomes({ diff }: { readonly diff: LineDiff }) {
  const units = useUnits();
  if (diff.goes) return <span className="font-semibold">goes</span>;
  if (diff.becomes === null) return <span className="text-soft">no grams</span>;
  const d = diff.becomes - (diff.was ?? 0);
  return (
    <span className="block">
      <strong>{grams(diff.becomes, units)}</strong>
      {diff.was === null ? (
        <span className="block text-xs">comes back</span>
      ) : Math.abs(d) >= 0.005 ? (
        <span className="block text-xs whitespace-nowrap">
          was {massNumber(diff.was, units)}, {d > 0 ? '+' : '−'}
          {massNumber(Math.abs(d), units)}
        </span>
      ) : null}
    </span>
  );
}

/** What was settled about a line besides its words. */
function Remarks({ line, endName }: { readonly line: BenchLine; readonly endName: string | null }) {
  const units = useUnits();
  const said = [
    ...(endName ? [`only in ${endName}`] : []),
    ...(line.moment && (line.moment !== 'bowl' || line.dressing !== 'plain')
      ? [`${MOMENT_NAMES[line.moment]}${line.dressing === 'plain' ? '' : `, ${DRESSING_NAMES[line.dressing]}`}`]
      : []),
    ...(line.foam && line.can.whip ? [`whites ${whitesSaid(line.foam)}`] : []),
    ...(line.drainedG > 0
      ? [`${grams(line.drainedG, units)} of water pressed out, ${grams(line.grams ?? 0, units)} go in`]
      : []),
    ...(line.proposed && line.grams !== null
      ? [
          `proposed: ${grams(line.proposed[0] * line.grams, units)} to ${grams(line.proposed[1] * line.grams, units)} is usual`,
        ]
      : []),
    ...(line.mostG !== null ? [`all there is: ${grams(line.mostG, units)}`] : []),
    ...(line.opened && line.strength < 1
      ? [`opened ${sayDay(line.opened, units)}, counted at ${Math.round(100 * line.strength)} % (estimate)`]
      : []),
  ];
  return said.length > 0 ? <p className="pr-2 pb-1 pl-8 text-sm text-soft">{said.join('; ')}</p> : null;
}

/**
 * A line that is not understood is never a dead end: what it is the same as, its weight, without it, or a new thing in
 * the pantry.
 */
function WaysOut({ line, tools }: { readonly line: BenchLine; readonly tools: LineTools }) {
  const look = '!min-h-8 !px-2.5 !text-sm';
  const unknown = line.status === 'unknown';
  return (
    <>
      {unknown ? (
        <Button className={look} onClick={() => tools.ask('same', line.key)}>
          Same as …
        </Button>
      ) : null}
      <Button className={look} onClick={() => tools.ask('weigh', line.key)}>
        Weigh it yourself …
      </Button>
      <Button className={look} onClick={() => tools.send({ do: 'switch', key: line.key, off: true })}>
        Leave it out
      </Button>
      {unknown ? (
        <Link
          href={`/pantry/new?name=${encodeURIComponent(line.called.slice(0, 60))}`}
          className={`${lookOf('plain')} ${look}`}
        >
          Add it as a new ingredient
        </Link>
      ) : null}
    </>
  );
}

/** What can be tapped to settle a line. */
function Settle({ line, tools }: { readonly line: BenchLine; readonly tools: LineTools }) {
  if (line.findings.some((f) => f.code === 'amounts-disagree'))
    return (
      <Button className="!min-h-8 !text-sm" onClick={() => tools.ask('stands', line.key)}>
        Which stands?
      </Button>
    );
  if (line.ingredient && line.findings.some((f) => f.code === 'vague-unit' || f.code === 'no-unit'))
    return (
      <Button className="!min-h-8 !text-sm" onClick={() => tools.ask('size', line.key)}>
        Say how much
      </Button>
    );
  if (line.readings.length > 0)
    return line.readings.map((r) => (
      <Button
        key={r.text}
        className="!min-h-8 !px-2.5 !text-sm"
        onClick={() => tools.send({ do: 'type', key: line.key, text: r.text })}
      >
        {r.why}
      </Button>
    ));
  if (line.rows.length > 1)
    return (
      <Button className="!min-h-8 !text-sm" onClick={() => tools.send({ do: 'part', key: line.key, rows: line.rows })}>
        Make {line.rows.length} lines of it
      </Button>
    );
  if (line.findings.some((f) => f.code === 'kept-back'))
    return (
      <Button className="!min-h-8 !text-sm" onClick={() => tools.send({ do: 'switch', key: line.key, off: true })}>
        Leave it out until then
      </Button>
    );
  if (line.findings.some((f) => f.code === 'alternatives'))
    return [line.ingredient, ...line.alternatives]
      .filter((i) => i !== null)
      .map((i) => (
        <Button
          key={i.id}
          className="!min-h-8 !px-2.5 !text-sm"
          onClick={() => tools.choose(line.key, { ingredientId: i.id })}
        >
          {i.name}
        </Button>
      ));
  return line.suggestions.map((i) => (
    <Button
      key={i.id}
      className="!min-h-8 !px-2.5 !text-sm"
      onClick={() => tools.choose(line.key, { ingredientId: i.id })}
    >
      {i.name}
    </Button>
  ));
}
