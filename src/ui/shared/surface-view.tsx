'use client';
import type { ReactNode } from 'react';
import type { Surface } from '@/core/batter/surface';
import { type BoardStep, dueAt, onHeat, type Piece, type Place } from '@/core/griddle/board';
import { type PlaceMap, placeAdvice } from '@/core/griddle/places';
import type { SideTimes } from '@/core/script/on-heat';
import { Press } from '../kit/press';
import { clock } from './clock-words';

/** An iron or a ball pan, no wider than this, is not drawn as large as a griddle. */
const SMALL_CM = 40;

/** A surface from above, to scale, with what lies on it and since when. */
export function SurfaceView({
  surface,
  end,
  pieces,
  timesOf,
  step,
  now,
  full,
  map,
  drawn,
  onPlace,
}: {
  readonly surface: Surface;
  /** Of two ends, the one that lies here, or is poured here next; null: there is one. */
  readonly end: string | null;
  readonly pieces: readonly Piece[];
  readonly timesOf: (p: Piece) => SideTimes;
  readonly step: BoardStep;
  readonly now: number;
  /** No more are to be poured. */
  readonly full: boolean;
  /** Its hot and cool places, where the kitchen uses them. */
  readonly map: PlaceMap | undefined;
  /** A practice surface: its pieces are drawn beneath their places, and what each shows is said. */
  readonly drawn?: { readonly under: ReactNode; readonly saysOf: (p: Piece) => string };
  readonly onPlace: (place: Place) => void;
}) {
  const on = onHeat(pieces).filter((p) => p.surface === surface.id);
  // more than lie there side by side: two screens have poured at once
  const beside = on.filter((p) => p.slot >= surface.slots.length);
  const advice = map && placeAdvice(map, surface);
  const percentOf = (cm: number, of: number): string => `${(100 * cm) / of}%`;
  return (
    <section aria-label={surface.name}>
      <h2 className="mb-1 text-lg text-rim">
        {surface.name}
        {end ? <span className="font-normal text-soft">: {end}</span> : null}
      </h2>
      {advice ? (
        <p className="mb-1 text-[15px]">
          Place {advice.cool + 1} takes {Math.round(100 * advice.apart)} % longer than place {advice.hot + 1}: pour it
          first{advice.exchange ? ', and exchange the two half-way' : ''}.
        </p>
      ) : null}
      <div
        className={`relative w-full border-4 border-rim bg-wash ${surface.round ? 'max-w-72 rounded-full' : 'max-w-[1000px] rounded-plate'}`}
        style={{
          aspectRatio: `${surface.wideCm} / ${surface.deepCm}`,
          maxWidth: surface.round || surface.wideCm > SMALL_CM ? undefined : '30rem',
        }}
      >
        {drawn?.under}
        {surface.slots.map((at, slot) => {
          const piece = on.find((p) => p.slot === slot);
          const asked = (step.do === 'flip' || step.do === 'pull') && step.piece === piece;
          const here = step.do === 'pour' && step.place.surface === surface.id && step.place.slot === slot;
          const side = piece ? (piece.flippedAt === null ? 'first side' : 'second side') : '';
          const age = piece ? clock(now - (piece.flippedAt ?? piece.pouredAt)) : '';
          const due = piece ? now >= dueAt(piece, timesOf(piece)) : false;
          return (
            <Press
              key={`${at.x} ${at.y}`}
              type="button"
              disabled={!piece && full}
              aria-label={
                piece
                  ? `Place ${slot + 1}: piece ${piece.piece}, ${side}, ${drawn ? drawn.saysOf(piece) : `${age}${due ? ', look' : ''}`}`
                  : `Place ${slot + 1}: free`
              }
              onClick={() => onPlace({ surface: surface.id, slot })}
              className={`absolute grid min-h-11 min-w-11 -translate-x-1/2 -translate-y-1/2 place-content-center rounded-full text-center leading-none ${
                piece && drawn
                  ? 'border-2 border-transparent text-ink'
                  : piece
                    ? `border-[3px] border-rim text-ink ${asked ? 'bg-butter' : 'bg-white'} ${piece.flippedAt === null ? '' : 'border-double !border-[6px]'}`
                    : `border-2 border-dashed border-rim text-soft ${here ? '!border-solid bg-butter' : 'bg-transparent'} off:opacity-50`
              }`}
              style={{
                left: percentOf(at.x, surface.wideCm),
                top: percentOf(at.y, surface.deepCm),
                width: percentOf(surface.acrossCm, surface.wideCm),
                aspectRatio: '1',
              }}
            >
              {piece && drawn ? (
                <span className="rounded-full bg-white px-1.5 text-[15px] font-bold">{piece.piece}</span>
              ) : piece ? (
                <>
                  <strong className="text-2xl">{piece.piece}</strong>
                  <span className="text-[15px]">{age}</span>
                  {due ? <span className="text-[13px] font-bold">look</span> : null}
                </>
              ) : (
                <span className="text-[15px]">{slot + 1}</span>
              )}
            </Press>
          );
        })}
      </div>
      {beside.length > 0 ? (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <span className="text-soft">Also on it, poured from another screen:</span>
          {beside.map((p) => (
            <Press
              key={p.id}
              type="button"
              aria-label={`Piece ${p.piece}, ${p.flippedAt === null ? 'first side' : 'second side'}, ${clock(now - (p.flippedAt ?? p.pouredAt))}`}
              onClick={() => onPlace({ surface: p.surface, slot: p.slot })}
              className="hold min-h-12 min-w-12 px-3"
            >
              <strong>{p.piece}</strong> {clock(now - (p.flippedAt ?? p.pouredAt))}
            </Press>
          ))}
        </div>
      ) : null}
    </section>
  );
}
