import { faultsIn, isFault, type Tested } from '@/core/batch/came-out';
import type { Possible } from '@/core/judge/happenings';
import type { SeenSigns } from '@/core/judge/signs';
import { type Alike, chanceSaid, isNamed, type Suspected, whatHappened } from '@/core/judge/what-happened';
import { asRead } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { useUnits } from '../kit/units';

/** A side as a part of its usual time; null where either is not known. */
export const timedAs = (s: number | null, usualS: number | null): number | null =>
  s !== null && usualS !== null && usualS > 0 ? s / usualS : null;

/** Scales that part the most of what may have happened. */
const TELLS_MOST = ['colour', 'crumb', 'spread'] as const;
/** Tests that are offered where nothing stands out. */
const MOST_TESTS = 4;
/** Other groups are told beside the first from this share on. */
const TOLD_FROM = 0.1;

/** What most likely happened to the batch as a whole, and what tells apart what looks alike. */
export function WhatHappened({
  possible,
  seen,
  timed,
  tested,
  onTested,
  onChange,
}: {
  readonly possible: Possible;
  readonly seen: SeenSigns;
  readonly timed: number | null;
  readonly tested: Tested;
  readonly onTested: (tested: Tested) => void;
  /** It is the one change for next time. */
  readonly onChange: (change: string) => void;
}) {
  const units = useUnits();
  const isFaulty = seen.marks.some(isFault) || faultsIn(seen.scales, possible.kind).length > 0;
  const happened = isFaulty ? whatHappened(possible, seen, units, timed, tested) : null;
  if (!happened) return null;
  const [first, ...others] = happened.groups;
  if (!first || !isNamed(happened)) {
    const maybe = happened.groups.filter((g) => g.share >= TOLD_FROM).slice(0, 2);
    const unsaid = TELLS_MOST.filter((id) => seen.scales[id] === undefined);
    const all = happened.groups.flatMap((g) => g.members);
    // what a test would part, and what a test has shown already
    const tests = all.filter((m) => m.tested !== null || maybe.some((g) => g.members.includes(m))).slice(0, MOST_TESTS);
    return (
      <div className="mb-4 text-soft">
        Nothing stands out as the reason. {maybe.length > 0 ? `It may be: ${inOneLine(maybe)}; ` : 'It may be '}
        that what was planned and noted gives this by itself ({chanceSaid(happened.asNoted)}).
        {unsaid.length > 0 ? ` A step for ${unsaid.join(' and ')} would tell more.` : ''}
        {tests.length > 0 ? (
          <ul aria-label="What a test would tell" className="mt-2 text-ink">
            {tests.map((m) => (
              <TestRow key={m.id} of={m} tested={tested} onTested={onTested} onChange={onChange} />
            ))}
          </ul>
        ) : null}
      </div>
    );
  }
  const beside = others.filter((g) => g.share >= TOLD_FROM);
  // what its own test has ruled out is no more told
  const members = first.members.filter((m) => m.tested !== false);
  const alike = first.members.length > 1;
  return (
    <section aria-labelledby="happened" className="mb-6 rounded-lg border-2 border-line p-4">
      <h3 id="happened" className="text-lg">
        What most likely happened: {chanceSaid(first.share)}
      </h3>
      <ul className="mt-2 grid gap-1">
        {members.map((m, n) => (
          <li key={m.id}>
            {n > 0 ? <span className="text-soft">or: </span> : null}
            <Suspect of={m} />
          </li>
        ))}
      </ul>
      {beside.length > 0 ? <p className="mt-2 text-soft">Less likely: {inOneLine(beside)}.</p> : null}
      <h4 className="mt-3 font-semibold">{alike ? 'What tells them apart' : 'What would show it'}</h4>
      <ul>
        {first.members.map((m) => (
          <TestRow key={m.id} of={m} tested={tested} onTested={onTested} onChange={onChange} />
        ))}
      </ul>
      <p className="mt-2 text-sm text-soft">
        An estimate from what was weighed, timed and seen together: a lead to follow, not a finding.
      </p>
    </section>
  );
}

/** What a test of its own has ruled out is not told. */
const inOneLine = (groups: readonly Alike[]): string =>
  groups
    .map((g) => ({ ...g, members: g.members.filter((m) => m.tested !== false) }))
    .flatMap((g) =>
      g.members.length > 0 ? `${g.members.map((m) => lower(m.words)).join(' or ')} (${chanceSaid(g.share)})` : [],
    )
    .join('; ');
const lower = (text: string): string => text.replace(/^./, (c) => c.toLowerCase());

/** A test of a slip: what it showed, once it was made, or the change for next time. */
function TestRow({
  of: m,
  tested,
  onTested,
  onChange,
}: {
  readonly of: Suspected;
  readonly tested: Tested;
  readonly onTested: (tested: Tested) => void;
  readonly onChange: (change: string) => void;
}) {
  const units = useUnits();
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-2">
      <span className="min-w-0 flex-1 basis-64">{asRead(m.test, units)}</span>
      <Taps
        label={`What it showed: ${m.test}`}
        optional
        value={m.tested === null ? '' : m.tested ? 'so' : 'notSo'}
        onChange={(v) => {
          const { [m.id]: _, ...others } = tested;
          onTested(v === '' ? others : { ...others, [m.id]: v === 'so' });
        }}
        options={[
          { value: 'so', label: m.shows.so },
          { value: 'notSo', label: m.shows.notSo },
        ]}
      />
      <Button className="min-h-11" aria-label={`Next time: ${m.test}`} onClick={() => onChange(m.test)}>
        Next time
      </Button>
    </li>
  );
}

function Suspect({ of }: { readonly of: Suspected }) {
  return (
    <>
      <span className="font-semibold">{of.words}</span>
      {of.sizes === '' ? null : <span>: {of.sizes}</span>}
    </>
  );
}
