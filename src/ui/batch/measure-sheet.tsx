import { RAW, sheetGroups } from '@/core/batch/sheet-groups';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import { mixesIn, type Split } from '@/core/batch/split';
import type { Units } from '@/core/quantity/say';
import { methodIn, type Script } from '@/core/script/act';

interface Props {
  readonly title: string;
  readonly about: readonly string[];
  /** The lines of one mix, with what serves them all. */
  readonly lines: readonly SheetLine[];
  readonly split?: Split | undefined;
  readonly units: Units;
  /** By eye: dry and wet go into one. */
  readonly oneBowl?: boolean;
  /** How it is worked, and why each thing matters. */
  readonly script: Pick<Script, 'acts'>;
}

/** Boxes to tick in one row; more are a count to write. */
const MOST_BOXES = 12;

/** The sheet to mix from: read at arm's length, printed on one page. */
export function MeasureSheet({ title, about, lines, split, units, oneBowl = false, script }: Props) {
  const method = methodIn(script);
  // many lines are set closer, so that a long formula still prints on one page
  const row =
    lines.length > 40
      ? 'print:py-0 print:text-[9px] print:leading-tight'
      : lines.length > 18
        ? 'print:py-0 print:text-[11px]'
        : lines.length > 12
          ? 'print:py-1 print:text-[14px]'
          : 'print:py-1.5 print:text-[17px]';
  const mixes = split ? mixesIn(split) : 1;
  // cups and spoons take more room than grams
  const wide = lines.some((l) => (l.measure?.length ?? 0) > 10);
  const boxes = (l: SheetLine): number => (l.mix === undefined ? 1 : Math.min(mixes, MOST_BOXES));
  const most = Math.max(1, ...lines.map(boxes));
  const columns = `${most * 1.25 + 0.15}rem ${wide ? 'min(14rem, 38vw)' : units.weight === 'oz' ? 'min(10.5rem, 38vw)' : '6.5rem'} minmax(0, 1fr)`;
  return (
    <section
      aria-label="Mixing sheet"
      className="rounded-plate bg-white p-5 print:rounded-none print:p-0"
      data-print-sheet
    >
      <h2 className="text-2xl [overflow-wrap:anywhere]">{title}</h2>
      <p className="text-soft">{about.filter(Boolean).join('; ')}</p>
      {mixes > 1 && split ? (
        <p className="mt-1 font-semibold">
          The bowls below are {split.by === 'kits' ? 'one kit' : 'one mix'}: weigh it {mixes} times
          {mixes <= MOST_BOXES ? ', and tick a box each time' : ''}.
        </p>
      ) : null}
      {sheetGroups(lines, script, oneBowl).map((g) => (
        <div key={g.name} className="mt-3 break-inside-avoid print:mt-2">
          <h3 className="border-b-2 border-rim text-lg text-rim">{g.name}</h3>
          <ul>
            {g.lines.map((l) => (
              <li
                key={l.key}
                style={{ gridTemplateColumns: columns }}
                className={`grid items-baseline gap-x-3 border-b border-line py-1.5 ${row}`}
              >
                <span aria-hidden className="flex gap-1 self-center">
                  {Array.from({ length: boxes(l) }, (_, n) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: boxes are all alike
                    <span key={n} className="size-4 rounded-[3px] border-2 border-rim" />
                  ))}
                </span>
                <strong className="text-right text-lg sm:whitespace-nowrap print:text-[1.1em]">
                  {measureSaid(l, units)}
                </strong>
                <span className="min-w-0 [overflow-wrap:anywhere]">
                  {l.name}
                  {l.standsFor ? (
                    <strong className="text-berry"> (stands in for {l.standsFor.toLowerCase()})</strong>
                  ) : null}
                  {l.spoons ? <span className="text-soft"> (or {l.spoons}, level)</span> : null}
                  {l.measure !== null && l.preparation ? <span className="text-soft">, {l.preparation}</span> : null}
                </span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {method.length > 0 ? (
        <details className="mt-3 print:mt-2" open>
          <summary className="min-h-11 cursor-pointer content-center border-b-2 border-rim text-lg font-semibold text-rim print:min-h-0">
            How, and why
          </summary>
          <ol className="mt-2 list-inside list-decimal gap-x-8 text-[15px] sm:columns-2 print:text-[11px]">
            {method.map((s) => (
              <li key={s.do} className="mb-1 break-inside-avoid">
                <strong className="font-semibold">{s.do}</strong>{' '}
                {s.why ? <span className="text-soft">{s.why}</span> : null}
              </li>
            ))}
          </ol>
        </details>
      ) : null}
      <p className="mt-3 text-sm text-soft print:mt-2 print:text-[11px]">
        {oneBowl ? 'It stands' : 'Each bowl is'} in the order that keeps spoons clean: dry, then wet, then oily, and
        what sticks last, off an oiled spoon. What is too much of a dry thing goes back, from a clean spoon; what has
        touched the wet does not.
        {lines.some((l) => l.spoons)
          ? ' Where spoons stand beside the grams, the scale can’t weigh so little honestly.'
          : ''}
      </p>
      <p className="mt-1 text-sm text-soft print:mt-1 print:text-[11px]">{RAW}</p>
    </section>
  );
}
