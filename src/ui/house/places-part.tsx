'use client';
import type { ActionResult } from '@/contract/action-result';
import { type DrawnPlaces, factorAt, type PlaceMap } from '@/core/griddle/places';
import { counted } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';

interface Places {
  readonly gear: { readonly id: string; readonly name: string };
  readonly wideCm: number;
  readonly deepCm: number;
  readonly round: boolean;
  readonly drawn: DrawnPlaces | null;
  readonly used: { readonly map: PlaceMap; readonly from: number } | null;
}

/** A cell of the drawing is about so wide, cm. */
const CELL_CM = 15;
/** Differences at which a cell is shaded whole. */
const MOST = 0.2;

const percent = (factor: number): string => {
  const p = Math.round(100 * (factor - 1));
  return p === 0 ? '0' : `${p > 0 ? '+' : '−'}${Math.abs(p)} %`;
};

/** A surface from above: how much longer, or shorter, a first side takes in each part of it. */
function PlacesDrawing({
  name,
  wideCm,
  deepCm,
  round,
  map,
}: Omit<Places, 'gear' | 'drawn' | 'used'> & { readonly name: string; readonly map: PlaceMap }) {
  const [columns, rows] = [Math.max(1, Math.round(wideCm / CELL_CM)), Math.max(1, Math.round(deepCm / CELL_CM))];
  const [w, h] = [wideCm / columns, deepCm / rows];
  const cells = Array.from({ length: columns * rows }, (_, n) => {
    const [x, y] = [(n % columns) * w, Math.floor(n / columns) * h];
    return { x, y, factor: factorAt(map, x + w / 2, y + h / 2) };
  }).filter((c) => !round || Math.hypot(c.x + w / 2 - wideCm / 2, c.y + h / 2 - deepCm / 2) <= wideCm / 2);
  const said = cells.map((c) => percent(c.factor)).join(', ');
  return (
    <svg
      viewBox={`-1 -1 ${wideCm + 2} ${deepCm + 2}`}
      className="w-full max-w-lg"
      role="img"
      aria-label={`${name} from above, row by row from the back left: ${said}`}
    >
      {cells.map((c) => (
        <g key={`${c.x} ${c.y}`}>
          <rect
            x={c.x}
            y={c.y}
            width={w}
            height={h}
            fill={c.factor < 1 ? 'var(--color-butter)' : 'var(--color-rim)'}
            fillOpacity={Math.min(1, Math.abs(Math.log(c.factor)) / MOST) * (c.factor < 1 ? 1 : 0.35)}
          />
          <text x={c.x + w / 2} y={c.y + h / 2 + 1.5} fontSize={4} textAnchor="middle" fill="var(--color-ink)">
            {percent(c.factor)}
          </text>
        </g>
      ))}
      {round ? (
        <circle cx={wideCm / 2} cy={deepCm / 2} r={wideCm / 2} fill="none" stroke="var(--color-rim)" />
      ) : (
        <rect x={0} y={0} width={wideCm} height={deepCm} rx={2} fill="none" stroke="var(--color-rim)" />
      )}
    </svg>
  );
}

const off = (share: number): string => `${Math.round(100 * share)} %`;

/** Hot and cool places of a surface, as the cook's own taps draw them, and their switch. */
export function PlacesPart({
  places: { gear, drawn, used, ...shape },
  use,
}: {
  readonly places: Places;
  readonly use: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const name = `Hot and cool places: ${gear.name}`;
  const turn = async (on: boolean): Promise<void> => {
    const a = await asking.ask(() =>
      act('use-places', `${name}: ${on ? 'use them' : 'use them no more'}`, use, {
        gearId: gear.id,
        use: on,
        from: drawn?.batches ?? 0,
      }),
    );
    if (!a?.ok) return;
    toast(on ? `${name}: used from now on` : `${name}: used no more`);
    refresh();
  };
  const map = used?.map ?? drawn?.map;
  const first = drawn ? (drawn.loads[0] ?? 1) / (drawn.loads[2] ?? 1) - 1 : 0;
  return (
    <section aria-label={name} className="grid content-start gap-2 rounded-plate bg-white p-5">
      <h2 className="text-xl">{name}</h2>
      {map ? (
        <>
          <PlacesDrawing name={gear.name} {...shape} map={map} />
          <p className="text-[15px] text-soft">The back on top. With +, a piece there asks later: it is cooler.</p>
        </>
      ) : null}
      <p className="text-[15px]">
        {drawn
          ? `From ${counted(drawn.pieces, 'pieces')} of ${counted(drawn.batches, 'batches')}, by your taps. A turn was off by ${off(drawn.offBefore)} without it, and by ${off(drawn.offWith)} with what the other batches draw.${drawn.offered || used ? '' : ' That is not clearly better: nothing is offered.'}`
          : 'Three batches with their turns tapped, each of six pieces at least, can draw it.'}
        {drawn && Math.abs(first) >= 0.04
          ? ` The first ones poured take ${off(Math.abs(first))} ${first > 0 ? 'longer' : 'less'} than later ones.`
          : ''}
      </p>
      {drawn?.offered || used ? (
        <div>
          <Switch
            label="give each place its own time at the griddle"
            on={used !== null}
            onSwitch={(on) => void turn(on)}
          />
        </div>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </section>
  );
}
