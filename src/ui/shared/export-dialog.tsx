'use client';
import { useState } from 'react';
import { typedNumber } from '@/core/quantity/typed';
import { Button, lookOf } from '../kit/button';
import { Choice } from '../kit/choice';
import { Dialog } from '../kit/dialog';
import { Field } from '../kit/field';
import { toast } from '../kit/toast';

const FORMATS = [
  { value: 'text', label: 'Text card' },
  { value: 'markdown', label: 'Markdown' },
  { value: 'jsonld', label: 'JSON-LD, for other recipe programs' },
  { value: 'csv', label: 'Table of lines (CSV)' },
  { value: 'pdf', label: 'Card on paper (PDF)' },
] as const;
type Format = (typeof FORMATS)[number]['value'];

const MOST_TIMES = 1000;

/** A version leaves as a file, or by the clipboard: as written, or so many times as large. */
export function ExportDialog({
  id,
  name,
  number,
  open,
  onOpen,
}: {
  readonly id: string;
  readonly name: string;
  /** The version; null: the newest. */
  readonly number: number | null;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
}) {
  const [format, setFormat] = useState<Format>('text');
  const [typed, setTyped] = useState('1');
  const [error, setError] = useState<string | null>(null);
  const times = typedNumber(typed);
  const wrong = times > 0 && times <= MOST_TIMES ? undefined : 'A number above 0, at most 1,000.';
  const query = new URLSearchParams({
    format,
    ...(number !== null && { version: String(number) }),
    ...(times !== 1 && { times: String(times) }),
  });
  const to = `/formulas/${id}/export?${query}`;
  const copy = async (): Promise<void> => {
    setError(null);
    try {
      const r = await fetch(to);
      if (!r.ok) throw new Error('refused');
      await navigator.clipboard.writeText(await r.text());
      toast('Copied: paste it where it is wanted');
    } catch {
      setError('It could not be copied. Download it instead.');
    }
  };
  return (
    <Dialog open={open} onOpen={onOpen} title={`Export ${name}`}>
      <div className="grid gap-3">
        <p>
          {number === null ? 'The newest version.' : `Version ${number}.`} Lines as they are written, with grams and
          ratios where the format has a place for them.
        </p>
        <Choice label="Format" value={format} options={FORMATS} onChange={setFormat} />
        <Field
          label="Times as large"
          value={typed}
          inputMode="decimal"
          error={wrong}
          onChange={(e) => setTyped(e.target.value.slice(0, 12))}
          className="max-w-40"
        />
        {error ? (
          <p role="alert" className="font-semibold text-berry">
            {error}
          </p>
        ) : null}
        <div className="flex flex-wrap gap-2">
          {wrong ? (
            <Button disabled>Download</Button>
          ) : (
            <a href={to} download className={lookOf('now')}>
              Download
            </a>
          )}
          <Button disabled={wrong !== undefined || format === 'pdf'} onClick={() => void copy()}>
            Copy to the clipboard
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
