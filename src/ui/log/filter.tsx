'use client';
import { useEffect, useId, useState } from 'react';
import { VERDICT_WORDS, VERDICTS, type Verdict } from '@/core/batch/batch';
import { useAddressed } from '../kit/addressed';
import { Choice } from '../kit/choice';
import { Form } from '../kit/form';
import { Switch } from '../kit/switch';

const ANY = 'any';

interface Asked {
  readonly find: string;
  readonly verdict: Verdict | '';
  readonly best: boolean;
}

const addressOf = (a: Asked): string => {
  const q = new URLSearchParams(
    Object.entries({ find: a.find, verdict: a.verdict, best: a.best ? '1' : '' }).filter(([, v]) => v !== ''),
  );
  return q.size > 0 ? `/log?${q}` : '/log';
};

/** Finds batches by words and verdict; the address keeps the search. */
export function LogFilterView({
  text,
  verdict,
  best,
}: {
  readonly text: string;
  readonly verdict: Verdict | '';
  readonly best: boolean;
}) {
  const id = useId();
  const [asked, ask] = useAddressed<Asked>({ find: text.trim(), verdict, best }, addressOf);
  const [words, setWords] = useState(text);
  useEffect(() => setWords((w) => (w.trim() === asked.find ? w : asked.find)), [asked.find]);
  return (
    <>
      <Form
        act={() => {
          ask({ find: words.trim() });
        }}
      >
        <label htmlFor={id} className="sr-only">
          Find in names, marks and notes
        </label>
        <input
          autoComplete="off"
          id={id}
          data-find
          type="search"
          value={words}
          maxLength={100}
          placeholder="Name, mark or note"
          onChange={(e) => {
            setWords(e.target.value);
            ask({ find: e.target.value.trim() });
          }}
          className="hold min-h-10 w-60 px-3 placeholder:text-soft"
        />
      </Form>
      <Choice
        inline
        label="How it was"
        value={asked.verdict === '' ? ANY : asked.verdict}
        onChange={(v) => ask({ verdict: v === ANY ? '' : v })}
        options={[{ value: ANY, label: 'any' }, ...VERDICTS.map((v) => ({ value: v, label: VERDICT_WORDS[v] }))]}
      />
      <Switch label="best of each formula" on={asked.best} onSwitch={(on) => ask({ best: on })} />
    </>
  );
}
