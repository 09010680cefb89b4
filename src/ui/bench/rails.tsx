import type { Analysis, RailReading } from '@/core/analyse';
import type { Rail, Zone } from '@/core/formula/kinds';
import { lift, percent, percentNumber } from '@/core/quantity/say';

const NAMES: Readonly<Record<Rail, string>> = { water: 'Water', egg: 'Egg', fat: 'Fat', sugar: 'Sugar', salt: 'Salt', lift: 'Lift' };

const say = (r: Rail, x: number): string => (r === 'lift' ? lift(x) : percentNumber(x));
const sayUnit = (r: Rail, x: number): string => (r === 'lift' ? `${lift(x)} g` : percent(x));

interface Scale {
  readonly from: number;
  readonly to: number;
}

/** A rail shows its zone in the middle, and as much again on either side. */
const scaleOf = ([low, high]: Zone): Scale => ({ from: Math.max(0, low - (high - low)), to: high + (high - low) });

const at = (x: number, s: Scale): number => Math.min(100, Math.max(0, (100 * (x - s.from)) / (s.to - s.from)));

const isMoved = (r: RailReading, zone: Zone, saved: number | null): saved is number =>
  saved !== null && Math.abs(at(saved, scaleOf(zone)) - at(r.tested, scaleOf(zone))) > 0.7;

function words(r: RailReading): string {
  if (!r.zone) return '';
  if (!r.reading) return 'yeast: not counted';
  const { standing, far } = r.reading;
  if (standing === 'in') return 'in range';
  const off = standing === 'below' ? r.zone[0] - r.tested : r.tested - r.zone[1];
  return `${far ? 'far ' : ''}${standing} by ${say(r.rail, off)}`;
}

/** One rail a ratio: the zone of the kind and school, where this formula stands, and where the saved version stood. */
export function Rails({ analysis, saved }: { readonly analysis: Analysis; readonly saved: Analysis | null }) {
  if (analysis.rails.length === 0) return <p className="py-4 text-soft">The ratios need a flour line with an amount.</p>;
  const before = (r: RailReading): number | null => saved?.rails.find((s) => s.rail === r.rail)?.tested ?? null;
  const moved = analysis.rails.some((r) => r.zone && isMoved(r, r.zone, before(r)));
  return (
    <div>
      <ul aria-label="Balance" className="grid gap-y-1">
        {analysis.rails.map((r) => (
          <RailRow key={r.rail} r={r} saved={before(r)} />
        ))}
      </ul>
      <p className="mt-0.5 text-[13px] text-soft">Percent of flour; lift in g of gas per 100 g flour.{moved ? ' The hollow mark is the saved version.' : ''}</p>
    </div>
  );
}

function RailRow({ r, saved }: { readonly r: RailReading; readonly saved: number | null }) {
  const held = r.value - r.tested > 0.5;
  const standing = words(r);
  const inRange = r.reading?.standing === 'in';
  return (
    <li className="grid grid-cols-[3.6rem_4.6rem_1fr_8.2rem] items-center gap-x-2" data-rail={r.rail}>
      <span className="font-semibold">{NAMES[r.rail]}</span>
      <span className="text-right">
        <strong className="text-[19px] leading-none">{sayUnit(r.rail, r.tested)}</strong>
      </span>
      {r.zone ? <Track r={r} zone={r.zone} saved={saved} /> : <span className="h-9 self-center border-b border-line" aria-hidden />}
      <span className={`text-[13px] leading-tight ${inRange ? 'text-herb' : 'font-semibold text-ink'}`}>
        {inRange ? '✓ ' : ''}
        {standing}
        {r.rail === 'lift' && !inRange && r.reading ? ' g' : ''}
        {held ? <span className="block font-normal text-soft">and {percent(r.value - r.tested)} held in puree</span> : null}
      </span>
    </li>
  );
}

function Track({ r, zone, saved }: { readonly r: RailReading; readonly zone: Zone; readonly saved: number | null }) {
  const s = scaleOf(zone);
  const left = at(zone[0], s);
  const right = at(zone[1], s);
  const here = at(r.tested, s);
  const moved = isMoved(r, zone, saved);
  return (
    <span
      className="relative block h-9"
      role="img"
      aria-label={`usual ${say(r.rail, zone[0])} to ${sayUnit(r.rail, zone[1])}${moved ? `; saved version ${sayUnit(r.rail, saved)}` : ''}`}
    >
      <span className="absolute top-1.5 right-0 left-0 h-3 rounded-full border border-line bg-white" />
      <span className="absolute top-1.5 flex h-3 overflow-hidden border-x-2 border-herb bg-herb-wash" style={{ left: `${left}%`, width: `${right - left}%` }}>
        <span className="hatch h-full w-2.5" />
        <span className="hatch ml-auto h-full w-2.5" />
      </span>
      {moved ? (
        <span className="absolute top-1 h-4 w-2 -translate-x-1/2 rounded-sm border-2 border-rim bg-enamel" style={{ left: `${at(saved, s)}%` }} />
      ) : null}
      <span className="absolute top-0.5 h-5 w-[5px] -translate-x-1/2 rounded-sm bg-rim" style={{ left: `${here}%` }} />
      <span className="absolute top-6 -translate-x-1/2 text-[11px] leading-none text-soft" style={{ left: `${left}%` }}>
        {say(r.rail, zone[0])}
      </span>
      <span className="absolute top-6 -translate-x-1/2 text-[11px] leading-none text-soft" style={{ left: `${right}%` }}>
        {say(r.rail, zone[1])}
      </span>
    </span>
  );
}
