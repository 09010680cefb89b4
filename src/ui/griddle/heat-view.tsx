'use client';
import { useState } from 'react';
import { DROPS, type Drop } from '@/core/batch/acts';
import type { Surface } from '@/core/batter/surface';
import type { Zone } from '@/core/formula/kinds';
import { adviceOn, DROP_WORDS, dialOf, type HeatReading, readingsIn } from '@/core/griddle/heat';
import type { SurfaceAct, SurfaceReading } from '@/core/griddle/simulated-surface';
import { celsiusFrom, minutesOrHours, temperature } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import type { Instrument } from '../kit/instrument';
import { useUnits } from '../kit/units';
import type { OpenEventLog } from '../live/use-event-log';

const MIN = 60_000;
const MOST_C = 400;

/**
 * How hot it is: by probe, by a drop of water, or by its dial; what to do about it, and what the dial has meant before.
 */
export function HeatView({
  surfaces,
  zoneOf,
  log,
  earlier,
  probe,
  now,
}: {
  readonly surfaces: readonly Surface[];
  /** How hot a surface is wanted, C, by what is poured on it. */
  readonly zoneOf: (surface: string) => Zone;
  readonly log: OpenEventLog;
  /** Dial and probe read together, in earlier batches. */
  readonly earlier: readonly HeatReading[];
  readonly probe: Instrument<SurfaceReading, SurfaceAct>;
  readonly now: number;
}) {
  const units = useUnits();
  const [which, setWhich] = useState(surfaces[0]?.id ?? '');
  const [real, setReal] = useState('');
  const [dial, setDial] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const surface = surfaces.find((s) => s.id === which) ?? surfaces[0];
  if (!surface) return null;
  const zone = zoneOf(surface.id);
  const here = readingsIn(log.entries).filter((r) => r.surface === surface.id);
  const known = dialOf([...earlier, ...here], surface.id);
  const last = here.at(-1);
  const advice = last ? adviceOn(last, known, zone) : null;
  const typed = (text: string): number | null =>
    text.trim() === ''
      ? null
      : celsiusFrom(typedNumber(text.replace(/°/g, ''), units.temperature.toLowerCase()), units);
  const bad = (x: number | null): boolean => x !== null && !(x >= 0 && x <= MOST_C);
  const dialC = probe.reading && dial.trim() === '' ? probe.reading.dialC || null : typed(dial);
  const note = (): void => {
    const realC = real.trim() === '' && probe.reading ? probe.reading.middleC : typed(real);
    if (bad(realC) || bad(dialC) || (realC === null && dialC === null)) {
      setWrong(`A number of degrees, up to ${temperature(MOST_C, units)}.`);
      return;
    }
    setWrong(null);
    if (realC !== null) log.enter({ what: 'heat', surface: surface.id, by: 'probe', realC, dialC });
    else if (dialC !== null) log.enter({ what: 'heat', surface: surface.id, by: 'dial', dialC });
    setReal('');
  };
  const byDrop = (drop: Drop): void => {
    if (bad(dialC)) setWrong(`A number of degrees, up to ${temperature(MOST_C, units)}.`);
    else {
      setWrong(null);
      log.enter({ what: 'heat', surface: surface.id, by: 'drop', drop, dialC });
    }
  };
  return (
    <section aria-label="Heat" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">Heat of the surface</h2>
      {surfaces.length > 1 ? (
        <Taps
          label="Which surface"
          value={surface.id}
          onChange={(v) => v !== '' && setWhich(v)}
          options={surfaces.map((s) => ({ value: s.id, label: s.name }))}
        />
      ) : null}
      <span className="sr-only" role="status">
        {advice ? { cool: 'Too cool', right: 'Ready', hot: 'Too hot' }[advice.heat] : ''}
      </span>
      <div>
        {advice ? (
          <>
            <p className={`text-3xl leading-tight font-bold ${advice.heat === 'right' ? 'text-herb' : ''}`}>
              {advice.heat === 'right' ? '✓ ' : ''}
              {advice.realC !== null
                ? temperature(advice.realC, units)
                : { cool: 'Too cool', right: 'Ready', hot: 'Too hot' }[advice.heat]}
            </p>
            <p>
              {advice.heat === 'cool'
                ? 'Too cool: turn it up and wait until it is level. '
                : advice.heat === 'hot'
                  ? 'Too hot: turn it down, wipe it, wait two minutes. '
                  : 'In range: pour. '}
              {advice.dialC !== null && advice.heat !== 'right'
                ? `Dial to about ${temperature(advice.dialC, units)}. `
                : ''}
              <span className="text-soft">
                {temperature(zone[0], units)} to {temperature(zone[1], units)} for these
                {last
                  ? `; read ${now - last.at < MIN ? 'just now' : `${minutesOrHours(Math.floor((now - last.at) / MIN))} ago`}`
                  : ''}
                .
              </span>
            </p>
          </>
        ) : (
          <p className="text-soft">
            {temperature(zone[0], units)} to {temperature(zone[1], units)} for these. Not read yet.
          </p>
        )}
        {known.offC === null ? null : (
          <p className="text-soft">
            Its dial{' '}
            {Math.abs(known.offC) < 2
              ? 'tells the truth'
              : `says ${Math.round(Math.abs(known.offC) * (units.temperature === 'F' ? 1.8 : 1))}° ${known.offC < 0 ? 'more' : 'less'} than there is`}
            , of {known.from} {known.from === 1 ? 'reading' : 'readings'}.
          </p>
        )}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
          {last ? 'Read it again' : 'Read it'}
        </summary>
        <div className="grid gap-3 pt-1">
          <fieldset className="grid grid-cols-3 gap-2" aria-label="A drop of water">
            {DROPS.map((d) => (
              <Button key={d} className="min-h-14 !whitespace-normal !px-1 leading-tight" onClick={() => byDrop(d)}>
                {d === 'sits' ? 'drop ' : ''}
                {DROP_WORDS[d]}
              </Button>
            ))}
          </fieldset>
          <Form
            className="flex items-end gap-2"
            act={() => {
              note();
            }}
          >
            <Field
              label="Probe"
              unit={`°${units.temperature}`}
              inputMode="decimal"
              value={real}
              placeholder={probe.reading ? temperature(probe.reading.middleC, units).replace(/ .*/, '') : ''}
              onChange={(e) => setReal(e.target.value.slice(0, 8))}
              className="min-w-0"
            />
            <Field
              label="Dial"
              unit={`°${units.temperature}`}
              inputMode="decimal"
              value={dial}
              placeholder={probe.reading?.dialC ? temperature(probe.reading.dialC, units).replace(/ .*/, '') : ''}
              onChange={(e) => setDial(e.target.value.slice(0, 8))}
              className="min-w-0"
            />
            <Button type="submit" className="min-h-11">
              Note it
            </Button>
          </Form>
          {wrong ? (
            <p role="alert" className="font-semibold text-berry">
              {wrong}
            </p>
          ) : null}
          <Button className="min-h-11 justify-self-start" aria-pressed={probe.on} onClick={() => probe.turn(!probe.on)}>
            {probe.on ? 'Put the practice griddle away' : 'Try it with a practice griddle'}
          </Button>
          {probe.on ? (
            <fieldset className="grid gap-2" aria-label="Practice griddle">
              <p role="status">
                {probe.stalled || !probe.reading
                  ? 'The probe does not answer. Use a drop of water, or the dial.'
                  : `Middle ${temperature(probe.reading.middleC, units)}, edge ${temperature(probe.reading.edgeC, units)}, dial ${probe.reading.dialC > 0 ? temperature(probe.reading.dialC, units) : 'off'}.`}
              </p>
              <div className="flex flex-wrap gap-2">
                {[170, 180, 190, 200, 210].map((c) => (
                  <Button key={c} className="min-h-11" onClick={() => probe.act({ do: 'dial', toC: c })}>
                    dial {temperature(c, units)}
                  </Button>
                ))}
                <Button className="min-h-11" onClick={() => probe.act({ do: 'cool' })}>
                  let it cool
                </Button>
                <Button className="min-h-11" onClick={() => probe.act({ do: 'plug', in: false })}>
                  pull the probe
                </Button>
                <Button className="min-h-11" onClick={() => probe.act({ do: 'plug', in: true })}>
                  plug it in
                </Button>
              </div>
            </fieldset>
          ) : null}
        </div>
      </details>
      <p className="text-sm text-soft">Fat that smokes is too hot: off the heat, and air.</p>
    </section>
  );
}
