'use client';
import { useDroppable } from '@dnd-kit/core';
import dynamic from 'next/dynamic';
import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import type { Worked } from '@/core/analyse-formula';
import type { Bench } from '@/core/balance/bench';
import type { BenchLine, BenchSight } from '@/core/bench/sight';
import { VESSEL_NAMES, VESSELS, type Vessel } from '@/core/card/parts';
import {
  counts,
  GROUP_ROLES,
  type Group,
  type GroupRole,
  MOST_ENTRIES,
  MOST_NOTES_CHARS,
} from '@/core/formula/formula';
import { grams, percent, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { TextField } from '../kit/field';
import { Switch } from '../kit/switch';
import { useScaleless, useUnits } from '../kit/units';
import { AddLine } from './add-line';
import type { SheetDiff } from './diff';
import { DragLines } from './drag-lines';
import { LineRow, ROW_GRID } from './line-row';
import type { LineTools } from './line-tools';
import type { BenchAction } from './state';
import { useToldMoves } from './told-moves';

// fetched where a card says something
const CardSays = dynamic(() => import('./card-says').then((m) => m.CardSays));
const BareNumbers = dynamic(() => import('./open-asks').then((m) => m.BareNumbers));

interface Props {
  readonly bench: Bench;
  /** The formula on the bench, worked. */
  readonly worked: () => Worked;
  readonly sight: BenchSight;
  readonly diff: SheetDiff | null;
  /** g of flour as proposed; as it stands where nothing is proposed. */
  readonly flourThenG: number;
  readonly tools: LineTools;
  /** Never saved yet. */
  readonly fresh: boolean;
  readonly send: (a: BenchAction) => void;
}

/** Lines that stand under one head of the sheet: a vessel's, or those of one sauce beside the batter. */
interface SheetPart {
  readonly id: string;
  readonly vessel: Vessel;
  readonly side: string | null;
  readonly lines: readonly BenchLine[];
  readonly added: readonly SheetDiff['added'][number][];
}

/** The sheet: the lines by the vessel they go into, a place to add one, and what stood around them on the card. */
export function Sheet({ bench, worked, sight, diff, flourThenG, tools, fresh, send }: Props) {
  const { formula, house, end } = bench;
  const { lines: all, flourG, blend } = sight;
  const list = useRef<HTMLDivElement>(null);
  // a line being typed stays where it is, though half a word may read as something for another bowl
  const [held, setHeld] = useState<{ readonly key: string; readonly vessel: Vessel } | null>(null);
  const [isDragging, setDragging] = useState(false);
  const lines = useMemo(() => all.filter((l) => l.end === null || l.end === end), [all, end]);
  const vesselOf = (l: BenchLine): Vessel => (held?.key === l.key ? held.vessel : l.vessel);
  const latest = useRef(lines);
  latest.current = lines;
  const onFocus = useCallback((key: string | null): void => {
    const line = latest.current.find((l) => l.key === key);
    setHeld(key && line ? { key, vessel: line.vessel } : null);
  }, []);
  const onMove = useCallback((from: HTMLInputElement, by: 1 | -1): void => {
    const inputs = [...(list.current?.querySelectorAll<HTMLInputElement>('[data-line],[data-add]') ?? [])];
    inputs[inputs.indexOf(from) + by]?.focus();
  }, []);
  const sides = [...new Set(lines.flatMap((l) => (l.side === null ? [] : [l.side])))];
  const groups: readonly SheetPart[] = [
    ...VESSELS.map((v) => ({
      id: v as string,
      vessel: v,
      side: null,
      lines: lines.filter((l) => l.side === null && vesselOf(l) === v),
      added: diff?.added.filter((l) => l.vessel === v) ?? [],
    })),
    ...sides.map((side) => ({
      id: `side ${side}`,
      vessel: 'topping' as const,
      side,
      lines: lines.filter((l) => l.side === side),
      added: [],
    })),
  ];
  const shown = groups.filter((g) => (isDragging && g.side === null) || g.lines.length > 0 || g.added.length > 0);
  const asked = [...new Map(lines.flatMap((l) => (l.group?.asked ? [[l.group.name, l.group] as const] : []))).values()];
  const keys = shown.flatMap((g) => g.lines.map((l) => l.key)).join(' ');
  // the same list as long as no line moved: the rows hang on it
  const order = useMemo(() => keys.split(' ').filter(Boolean), [keys]);
  const stands = JSON.stringify(
    shown.flatMap((g) =>
      g.lines.map((l, n) => ({
        key: l.key,
        text: l.text,
        under: g.side ?? VESSEL_NAMES[g.vessel],
        nth: n + 1,
        of: g.lines.length,
      })),
    ),
  );
  const [moveTold, moving] = useToldMoves(useMemo(() => JSON.parse(stands), [stands]));
  const latestGroups = useRef(groups);
  latestGroups.current = groups;

  /** By key: past its neighbour, and over the edge of its bowl into the next. */
  const onShift = useCallback(
    (key: string, by: 1 | -1): void => {
      const gs = latestGroups.current;
      const g = gs.findIndex((x) => x.lines.some((l) => l.key === key));
      const own = gs[g];
      if (!own) return;
      const i = own.lines.findIndex((l) => l.key === key);
      const neighbour = own.lines[i + by];
      setHeld(null);
      moving(key);
      if (neighbour)
        send({ do: 'move', key, vessel: own.vessel, before: by < 0 ? neighbour.key : (own.lines[i + 2]?.key ?? null) });
      else {
        const next = gs[g + by];
        if (next) send({ do: 'move', key, vessel: next.vessel, before: by > 0 ? (next.lines[0]?.key ?? null) : null });
      }
    },
    [send, moving],
  );
  const onDrop = (key: string, to: string): void => {
    moving(key);
    const vessel = VESSELS.find((v) => `vessel-${v}` === to);
    if (vessel) {
      send({ do: 'move', key, vessel, before: groups.find((g) => g.vessel === vessel)?.lines[0]?.key ?? null });
      return;
    }
    const target = lines.find((l) => l.key === to);
    if (!target) return;
    const down = order.indexOf(key) < order.indexOf(to);
    const own = groups.find((g) => g.lines.some((l) => l.key === to))?.lines ?? [];
    send({
      do: 'move',
      key,
      vessel: vesselOf(target),
      before: down ? (own[own.findIndex((l) => l.key === to) + 1]?.key ?? null) : to,
    });
  };
  const scaleless = useScaleless();
  return (
    <section aria-label="Lines" ref={list}>
      <h2 className="sr-only">Lines</h2>
      <span role="status" className="sr-only">
        {moveTold}
      </span>
      {lines.some((l) => l.findings.some((f) => f.code === 'no-unit')) ? (
        <BareNumbers formula={formula} house={house} send={send} />
      ) : null}
      {lines.length > 0 ? (
        <div aria-hidden className={`${ROW_GRID} text-right text-[13px] text-soft`}>
          <span />
          <span className="pl-2 text-left">on the card</span>
          <span className="pr-1">{scaleless ? '' : 'weight'}</span>
          <span className="pr-1">of flour</span>
        </div>
      ) : null}
      {asked.map((g) => (
        <GroupQuestion key={g.name} group={g} onPlace={(role) => send({ do: 'place', group: g.name, role })} />
      ))}
      <DragLines order={order} onDragging={setDragging} onDrop={onDrop}>
        {shown.map((g) => (
          <div key={g.id} className="mb-1.5">
            <VesselHead vessel={g.vessel} side={g.side}>
              {scaleless
                ? ''
                : sum(
                    g.lines.filter((l) => counts(l, end)),
                    house.units,
                  )}
            </VesselHead>
            <ul>
              {g.lines.map((l) => (
                <LineRow
                  key={l.key}
                  line={l}
                  flourG={flourG}
                  flourThenG={flourThenG}
                  blended={blend.length > 0}
                  diff={diff?.byKey.get(l.key)}
                  ends={formula.ends}
                  tools={tools}
                  onFocus={onFocus}
                  onMove={onMove}
                  onShift={onShift}
                />
              ))}
              {g.added.map((l) => (
                <li key={l.key} className={`${ROW_GRID} min-h-9 rounded-hold bg-butter/45`}>
                  <span />
                  <span className="px-2">{l.text}</span>
                  <strong className="text-right">
                    {l.grams === null || scaleless ? '' : grams(l.grams, house.units)}
                  </strong>
                  <span className="text-right text-sm">new</span>
                </li>
              ))}
            </ul>
            {blend.length > 0 && g.lines.some((l) => l.key === blend[0]?.key) ? (
              <BlendBar
                blend={blend}
                flourG={flourG}
                held={formula.held.blend}
                onHeld={(on) => send({ do: 'set', part: { held: { ...formula.held, blend: on } }, place: null })}
              />
            ) : null}
          </div>
        ))}
      </DragLines>
      <Proposed many={formula.entries.filter((e) => e.proposed && !e.off).length} onKeep={() => send({ do: 'told' })} />
      <AddLine full={all.length >= MOST_ENTRIES} formula={formula} house={house} send={send} />
      {formula.cardNotes.trim() !== '' || formula.name.trim() !== '' ? (
        <CardSays bench={bench} worked={worked} fresh={fresh} send={send} />
      ) : null}
      {formula.cardNotes !== '' || lines.length > 0 ? (
        <details className="mt-3" open={false}>
          <summary className="cursor-pointer rounded px-2 font-semibold text-rim">
            Around the card{formula.cardNotes === '' ? '' : `: ${formula.cardNotes.split('\n')[0]?.slice(0, 60)}`}
          </summary>
          <TextField
            className="mt-2 px-2"
            label="Yield, method, remarks"
            hint="The card check reads this: what the method uses, and the yield it claims."
            rows={5}
            maxLength={MOST_NOTES_CHARS}
            value={formula.cardNotes}
            onChange={(e) => send({ do: 'set', part: { cardNotes: e.target.value }, place: 'notes' })}
          />
        </details>
      ) : null}
    </section>
  );
}

function VesselHead({
  vessel,
  side,
  children,
}: {
  readonly vessel: Vessel;
  readonly side: string | null;
  readonly children: ReactNode;
}) {
  const drop = useDroppable({ id: side === null ? `vessel-${vessel}` : `side-${side}`, disabled: side !== null });
  return (
    <h3
      ref={drop.setNodeRef}
      className={`flex justify-between border-b px-2 pb-0.5 text-[15px] font-bold text-rim ${drop.isOver ? 'border-rim bg-wash' : 'border-line'}`}
    >
      {side === null ? VESSEL_NAMES[vessel] : `Sauces and sides: ${side}`}
      <span className="font-sans font-normal text-soft">{children}</span>
    </h3>
  );
}

/** Lines under a heading that nobody understands: where they go is asked once for all of them. */
function GroupQuestion({ group, onPlace }: { readonly group: Group; readonly onPlace: (role: GroupRole) => void }) {
  return (
    <fieldset
      aria-label={`Where ${group.name} goes`}
      className="my-2 rounded-r-hold border-l-8 border-rim bg-white px-3 py-2"
    >
      <p className="font-semibold">
        “{group.name}”: where do its lines go? For now{' '}
        {group.role === 'side' ? 'they stand beside the batter' : 'they are in the batter'}.
      </p>
      <div className="mt-1.5 flex flex-wrap gap-2">
        {GROUP_ROLES.map((role) => (
          <Button
            key={role}
            aria-pressed={group.role === role}
            className={group.role === role ? '!bg-wash' : ''}
            onClick={() => onPlace(role)}
          >
            {GROUP_PLACES[role]}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

const GROUP_PLACES: Readonly<Record<GroupRole, string>> = {
  batter: 'In the batter',
  side: 'Sauces and sides',
  pan: 'In the pan',
  topping: 'On top',
};

/** Two and more flours: what they come to, and whether that total stands when one of them is changed. */
function BlendBar({
  blend,
  flourG,
  held,
  onHeld,
}: {
  readonly blend: BenchSight['blend'];
  readonly flourG: number;
  readonly held: boolean;
  readonly onHeld: (on: boolean) => void;
}) {
  const units = useUnits();
  const scaleless = useScaleless();
  return (
    <div className="flex flex-wrap items-center gap-x-3 px-2 py-1 text-sm text-soft">
      <span>
        Blend of {blend.length}: {scaleless ? '' : `${grams(flourG, units)}, `}
        {blend.map((l) => percent((100 * (l.grams ?? 0)) / flourG)).join(' + ')}
      </span>
      <Switch label="total stays" on={held} onSwitch={onHeld} />
    </div>
  );
}

const sum = (lines: readonly BenchLine[], units: Units): string => {
  const total = lines.reduce((a, l) => a + (l.grams ?? 0), 0);
  return total > 0 ? grams(total, units) : '';
};

/** Amounts that nobody told are weighed as the batter is made, or kept as they are, all at once. */
const Proposed = ({ many, onKeep }: { readonly many: number; readonly onKeep: () => void }) =>
  many === 0 ? null : (
    <p className="flex flex-wrap items-center gap-x-2 pl-2 text-[15px]">
      {many === 1 ? 'One amount is' : `${many} amounts are`} proposed, told by nobody: weigh as you make it, or
      <Button look="bare" onClick={onKeep}>
        keep {many === 1 ? 'it' : 'them'} as proposed
      </Button>
    </p>
  );
