'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useId, useState } from 'react';
import { VERDICT_WORDS, VERDICTS, type Verdict } from '@/core/batch/batch';
import { Choice } from '../kit/choice';
import { Switch } from '../kit/switch';

const ANY = 'any';

/** Finds batches by words and verdict; the address keeps the search. */
export function LogFilter({ text, verdict, best }: { readonly text: string; readonly verdict: Verdict | ''; readonly best: boolean }) {
  const router = useRouter();
  const id = useId();
  const [words, setWords] = useState(text);
  useEffect(() => setWords(text), [text]);
  const go = (find: string, v: Verdict | '', only: boolean = best): void => {
    const q = new URLSearchParams();
    if (find.trim()) q.set('find', find.trim());
    if (v) q.set('verdict', v);
    if (only) q.set('best', '1');
    router.replace(`/log${q.size > 0 ? `?${q}` : ''}`, { scroll: false });
  };
  return (
    <>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          go(words, verdict);
        }}
      >
        <label htmlFor={id} className="sr-only">
          Find in names, marks and notes
        </label>
        <input
          id={id}
          data-find
          type="search"
          value={words}
          maxLength={100}
          placeholder="Name, mark or note"
          onChange={(e) => {
            setWords(e.target.value);
            go(e.target.value, verdict);
          }}
          className="hold min-h-10 w-60 px-3 placeholder:text-soft"
        />
      </form>
      <Choice
        inline
        label="Verdict"
        value={verdict === '' ? ANY : verdict}
        onChange={(v) => go(words, v === ANY ? '' : v)}
        options={[{ value: ANY, label: 'any' }, ...VERDICTS.map((v) => ({ value: v, label: VERDICT_WORDS[v] }))]}
      />
      <Switch label="best of each formula" on={best} onSwitch={(on) => go(words, verdict, on)} />
    </>
  );
}
