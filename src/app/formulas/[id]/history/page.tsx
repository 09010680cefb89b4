import { notFound } from 'next/navigation';
import { answerNextTime } from '@/app/actions';
import { titled } from '@/app/titled';
import { trendOf } from '@/core/judge/came-back';
import { faceOf } from '@/core/judge/photographs';
import { heldAgainst, scoreOf, wantsAnything } from '@/core/judge/target';
import { isUuid, versionNumber, versionPick } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { makingsOf } from '@/server/queries/came-back';
import { formulaShelf, formulaState } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { photosOfBatches } from '@/server/queries/photos';
import { targetOf } from '@/server/queries/targets';
import { version, versionsOf } from '@/server/queries/versions';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { when } from '@/ui/kit/when';
import { CompareView } from '@/ui/versions/compare-view';
import { History } from '@/ui/versions/history';
import { Makings } from '@/ui/versions/makings';

export const generateMetadata = titled('formula', 'Versions');

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ a?: string | string[]; b?: string | string[]; below?: string | string[] }>;
}

/** Other formulas that can be put beside one: those used lately. */
const OTHERS_OFFERED = 200;

/**
 * The versions of a formula; with two picked (`a`, `b`: a number, or another formula's id and a number), side by side.
 */
export default async function HistoryPage({ params, searchParams }: Props) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const asked = await searchParams;
  const [a, b] = [versionPick(asked.a, id), versionPick(asked.b, id)];
  const r = await reach(async () =>
    Promise.all([
      versionsOf(id, versionNumber(asked.below)),
      version(id, null),
      formulaShelf({}, OTHERS_OFFERED),
      formulaState(id),
      loadHouse(),
      targetOf(id),
      makingsOf(id).then(async (makings) => ({
        makings,
        photos: await photosOfBatches(makings.map((m) => m.batchId)),
      })),
      a ? version(a.formulaId, a.number) : null,
      b ? version(b.formulaId, b.number) : null,
    ]),
  );
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [versions, newest, rows, state, house, { target }, { makings, photos }, first, second] = r.value;
  if (!newest) notFound();
  const missing = (a !== null && !first) || (b !== null && !second);
  const side = (v: NonNullable<typeof first>) => ({
    label: v.formulaId === id ? `Version ${v.number}` : `${v.formula.name}, version ${v.number}`,
    note: v.changeNote,
    at: when(v.savedAt, house.units),
    formula: v.formula,
    href: `/formulas/${v.formulaId}?version=${v.number}`,
  });
  return (
    <Frame here="bench">
      <h1 className="mb-3 text-[26px] [overflow-wrap:anywhere]">{newest.formula.name}: versions</h1>
      <div className="grid items-start gap-x-8 gap-y-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <History
          formulaId={id}
          versions={versions.rows.map((v) => ({
            number: v.number,
            basedOn: v.basedOn,
            note: v.changeNote,
            at: [when(v.savedAt, house.units), v.by].filter(Boolean).join(', '),
          }))}
          older={versions.more ? (versions.rows.at(-1)?.number ?? null) : null}
          others={rows.rows.filter((x) => x.id !== id).map((x) => ({ id: x.id, name: x.name, number: x.number }))}
          source={state?.copyOf ?? null}
          a={a ? `${a.formulaId === id ? '' : `${a.formulaId}:`}${a.number}` : null}
          b={b ? `${b.formulaId === id ? '' : `${b.formulaId}:`}${b.number}` : null}
        />
        {first && second ? (
          <CompareView house={house} a={side(first)} b={side(second)} />
        ) : (
          <div className="grid gap-4">
            {missing ? <p className="pt-2 font-semibold">One of these versions is not in this kitchen.</p> : null}
            <Makings
              makings={makings.map((m) => ({
                ...m,
                when: when(m.at, house.units),
                photo: faceOf(photos.get(m.batchId) ?? []),
                score: scoreOf(target, m).pct,
              }))}
              trend={trendOf(makings)}
              answer={answerNextTime}
              formulaId={id}
              wanted={wantsAnything(target)}
              course={heldAgainst(target, makings).course}
            />
            <p className="text-soft">Pick two versions, or another formula, to see them side by side.</p>
          </div>
        )}
      </div>
    </Frame>
  );
}
