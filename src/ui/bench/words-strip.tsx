import type { Claim, Word } from '@/core/card/words';

const CALLED: Readonly<Record<Claim, string>> = {
  amount: 'amount',
  ingredient: 'ingredient',
  variant: 'which type',
  state: 'what is done to it',
  use: 'what it is for',
  moment: 'when it goes in',
  filler: 'says nothing more',
  unknown: 'not understood',
};

const MARKS: Readonly<Record<Claim, string>> = {
  amount: 'border-rim',
  ingredient: 'border-ink',
  variant: 'border-ink border-dashed',
  state: 'border-soft',
  use: 'border-soft border-dashed',
  moment: 'border-soft border-dotted',
  filler: 'border-transparent',
  unknown: 'border-berry',
};

/** What each word of a line was taken for: words that belong together stand together over their name. */
export function WordsStrip({ words, id }: { readonly words: readonly Word[]; readonly id: string }) {
  const runs: { text: string; as: Claim; key: number }[] = [];
  for (const [n, w] of words.entries()) {
    const last = runs[runs.length - 1];
    if (last && last.as === w.as) last.text += ` ${w.text}`;
    else runs.push({ text: w.text, as: w.as, key: n });
  }
  if (runs.length === 0) return null;
  return (
    <dl id={id} aria-label="How this line was read" className="flex flex-wrap gap-x-3 gap-y-1 text-sm">
      {runs.map((r) => (
        <div key={r.key} className="leading-tight">
          <dt className={`border-b-2 ${MARKS[r.as]} ${r.as === 'unknown' ? 'font-semibold text-berry' : ''}`}>
            {r.text}
          </dt>
          <dd className="text-[13px] text-soft">{CALLED[r.as]}</dd>
        </div>
      ))}
    </dl>
  );
}
