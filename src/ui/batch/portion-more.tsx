'use client';
import { useState } from 'react';
import { roundMl, SCOOPS } from '@/core/batter/portions';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';

/** Other ways to say a portion: a standard scoop, its weight, or how wide and thick it lies. */
export function PortionMore({
  density,
  onMl,
}: {
  readonly density: number | null;
  readonly onMl: (ml: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [scoop, setScoop] = useState('');
  const [weight, setWeight] = useState('');
  const [across, setAcross] = useState('');
  const [thick, setThick] = useState('');
  const give = (ml: number): void => {
    if (ml >= 0.5 && ml <= 5000) onMl(ml);
  };
  if (!open)
    return (
      <Button look="bare" className="self-start" onClick={() => setOpen(true)}>
        By scoop number, weight or width
      </Button>
    );
  const bad = (text: string): string | undefined =>
    text.trim() !== '' && !(typedNumber(text) > 0) ? 'Write a number.' : undefined;
  return (
    <fieldset className="flex flex-wrap items-start gap-3">
      <legend className="sr-only">Portion another way</legend>
      <Choice
        label="Standard scoop"
        value={scoop}
        placeholder="number"
        onChange={(v) => {
          setScoop(v);
          give(SCOOPS.find((s) => String(s.number) === v)?.ml ?? 0);
        }}
        options={SCOOPS.map((s) => ({ value: String(s.number), label: `#${s.number}, ${s.ml} ml` }))}
      />
      {density === null ? null : (
        <Field
          label="One weighs"
          unit="g"
          inputMode="decimal"
          className="w-28"
          value={weight}
          error={bad(weight)}
          onChange={(e) => {
            setWeight(e.target.value);
            give(typedNumber(e.target.value) / density);
          }}
        />
      )}
      <Field
        label="Across"
        unit="cm"
        inputMode="decimal"
        className="w-28"
        value={across}
        error={bad(across)}
        onChange={(e) => {
          setAcross(e.target.value);
          give(roundMl(typedNumber(e.target.value), typedNumber(thick)));
        }}
      />
      <Field
        label="Thick as poured"
        unit="mm"
        inputMode="decimal"
        className="w-32"
        value={thick}
        error={bad(thick)}
        onChange={(e) => {
          setThick(e.target.value);
          give(roundMl(typedNumber(across), typedNumber(e.target.value)));
        }}
      />
    </fieldset>
  );
}
