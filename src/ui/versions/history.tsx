'use client';
import { useRouter } from 'next/navigation';
import { lookOf } from '../kit/button';
import { Choice } from '../kit/choice';
import { Link } from '../kit/link';
import { Press } from '../kit/press';

interface Row {
  readonly number: number;
  readonly basedOn: number | null;
  readonly note: string;
  readonly at: string;
}

interface Props {
  readonly formulaId: string;
  /** The lowest number shown, where there are older ones; null: these are all. */
  readonly older: number | null;
  readonly versions: readonly Row[];
  readonly others: readonly { readonly id: string; readonly name: string; readonly number: number }[];
  /** What it is a copy of: its history begins there. */
  readonly source: { readonly formulaId: string; readonly number: number; readonly name: string } | null;
  /** What is compared: a version's number, or another formula's id and number. */
  readonly a: string | null;
  readonly b: string | null;
}

const NONE = 'none';

/**
 * All versions, newest first, with what changed in each; two of them, or another formula, picked to stand side by side.
 */
export function History({ formulaId, versions, older, others, source, a, b }: Props) {
  const router = useRouter();
  const compare = (x: string | null, y: string | null): void =>
    router.push(
      `/formulas/${formulaId}/history?${new URLSearchParams({ ...(x ? { a: x } : {}), ...(y ? { b: y } : {}) }).toString()}`,
      { scroll: false },
    );
  const options = [
    { value: NONE, label: 'pick one' },
    ...versions.map((v) => ({
      value: String(v.number),
      label: `version ${v.number}${v.note ? `: ${v.note.slice(0, 40)}` : ''}`,
    })),
    ...(source && !others.some((o) => o.id === source.formulaId && o.number === source.number)
      ? [{ value: `${source.formulaId}:${source.number}`, label: `${source.name}, version ${source.number}` }]
      : []),
    ...others.map((o) => ({ value: `${o.id}:${o.number}`, label: `${o.name}, version ${o.number}` })),
  ];
  const pick = (v: string): string | null => (v === NONE ? null : v);
  return (
    <div className="flex flex-col gap-4">
      <section aria-label="What to compare" className="grid gap-3 rounded-plate bg-white p-3">
        <Choice narrow label="Compare" value={a ?? NONE} options={options} onChange={(v) => compare(pick(v), b)} />
        <Choice narrow label="with" value={b ?? NONE} options={options} onChange={(v) => compare(a, pick(v))} />
      </section>
      <ol aria-label="Versions" className="divide-y divide-line border-y border-line">
        {versions.map((v, i) => {
          const before = versions[i + 1];
          return (
            <li key={v.number} className="py-2">
              <div className="flex items-baseline gap-2">
                <strong className="text-lg">{v.number}</strong>
                <span className="text-[15px] text-soft">{v.at}</span>
                {v.basedOn !== null && v.basedOn !== v.number - 1 ? (
                  <span className="text-sm text-soft">from version {v.basedOn}</span>
                ) : null}
                {i === 0 ? <span className="ml-auto text-sm text-soft">newest</span> : null}
              </div>
              <p className="[overflow-wrap:anywhere]">{v.note || <span className="text-soft">no note</span>}</p>
              <div className="mt-0.5 flex flex-wrap gap-x-1">
                <Link
                  href={`/formulas/${formulaId}?version=${v.number}`}
                  className={`${lookOf('bare')} !min-h-9 !px-2`}
                  aria-label={`Open version ${v.number}`}
                >
                  Open
                </Link>
                {before ? (
                  <Press
                    className={`${lookOf('bare')} !min-h-9 !px-2`}
                    onClick={() => compare(String(before.number), String(v.number))}
                  >
                    What changed since {before.number}
                  </Press>
                ) : null}
              </div>
            </li>
          );
        })}
      </ol>
      {source && older === null ? (
        <p className="text-[15px]">
          Begun as a copy of{' '}
          <Link
            className="font-semibold text-rim underline"
            href={`/formulas/${source.formulaId}?version=${source.number}`}
          >
            {source.name}, version {source.number}
          </Link>
          .
        </p>
      ) : null}
      {older === null ? null : (
        <Link href={`/formulas/${formulaId}/history?below=${older}`} className={`${lookOf('plain')} self-start`}>
          Older versions
        </Link>
      )}
      <Link href={`/formulas/${formulaId}`} className={`${lookOf('plain')} self-start`}>
        Back to the bench
      </Link>
    </div>
  );
}
