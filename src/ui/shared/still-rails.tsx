import { RAIL_NAMES, type RailReading } from '@/core/formula/kinds';
import { at, sayUnit, scaleOf, words } from './rail-words';
import { ZonedRail } from './rails';

/** The Bench's rails where nothing is to be moved: where each ratio stands against its zone. */
export const StillRails = ({ rails }: { readonly rails: readonly RailReading[] }) => (
  <ul aria-label="Ratios" className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(min(100%,17rem),1fr))] gap-x-6">
    {rails.map((r) => {
      const s = r.zone && scaleOf(r.zone);
      const known = r.unknown.length === 0;
      const inRange = r.reading?.standing === 'in';
      return (
        <li
          key={r.rail}
          className="grid min-w-0 grid-cols-[minmax(0,3rem)_minmax(0,4.2rem)_1fr_minmax(0,6.5rem)] items-center gap-x-2 text-[15px] [overflow-wrap:anywhere]"
        >
          <span className="font-semibold">{RAIL_NAMES[r.rail]}</span>
          <span className="text-right">{known ? sayUnit(r.rail, r.tested) : ''}</span>
          {r.zone && s ? (
            <span aria-hidden className="relative h-7">
              <ZonedRail left={at(r.zone[0], s)} right={at(r.zone[1], s)} />
              {r.reading ? (
                <span
                  className="absolute top-0.5 h-6 w-[9px] -translate-x-1/2 rounded-[3px] border-2 border-white bg-rim"
                  style={{ left: `${at(r.tested, s)}%` }}
                />
              ) : null}
            </span>
          ) : (
            <span />
          )}
          <span className={`text-[13px] leading-tight ${inRange ? 'text-herb' : 'font-semibold'}`}>
            {inRange ? '✓ ' : ''}
            {known ? words(r) : 'not known'}
            {r.rail === 'lift' && known && r.reading && !inRange ? ' g' : ''}
          </span>
        </li>
      );
    })}
  </ul>
);
