/** The script of a batch: how one mix of it is made, poured and plated. */
import { kindById } from '../formula/kinds';
import type { Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import type { Units } from '../quantity/say';
import type { Script } from '../script/act';
import type { PouredAs } from '../script/making';
import { scriptOf } from '../script/script';
import type { Batch } from './batch';

type ScriptOfBatch = Pick<Batch, 'sheet' | 'kind'> & Partial<Pick<Batch, 'driver' | 'school' | 'portionMl' | 'making'>>;

function pouredAs({
  driver: d,
  kind,
  school = '',
  portionMl = null,
}: ScriptOfBatch): readonly [PouredAs, ...PouredAs[]] {
  if (d?.by !== 'both') return [{ name: null, kind, school, portionMl }];
  const of = (e: typeof d.a): PouredAs => ({
    name: e.name,
    kind: e.kind ?? kind,
    school: e.school ?? school,
    portionMl: e.portionMl,
    ml: e.pieces * e.portionMl,
  });
  return [of(d.a), of(d.b)];
}

/** @param units that temperatures in its sentences are told in; left out: Celsius */
export const scriptOfBatch = (
  batch: ScriptOfBatch,
  ways: Ways,
  find: (id: string) => Ingredient | undefined,
  units: Pick<Units, 'temperature'> = { temperature: 'C' },
): Script =>
  scriptOf({
    lines: batch.sheet.filter((l) => (l.mix ?? 1) === 1),
    kind: kindById(batch.kind).id,
    ways,
    pourings: pouredAs(batch),
    find,
    units,
    edits: batch.making?.edits,
    told: batch.making?.told,
  });
