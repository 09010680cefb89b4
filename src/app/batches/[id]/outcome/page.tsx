import { noteCareHere, saveOutcome } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { keepHere } from '@/app/kept/actions';
import { photoAwayHere, photoBackHere, photoShowsHere } from '@/app/photos/actions';
import { titled } from '@/app/titled';
import { doneAtTheHeat } from '@/core/batch/acts';
import { waysOf } from '@/core/batch/batch';
import { againstForetold } from '@/core/batch/foretold';
import { fadeOf } from '@/core/batter/standing';
import { bowlOf } from '@/core/day/bowl';
import { expectedIn } from '@/core/day/day';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { formulaLines } from '@/core/formula/lines';
import { WEAK } from '@/core/formula/powder-age';
import { seenIn } from '@/core/griddle/times';
import { possibleOf } from '@/core/judge/happenings';
import { madeOf } from '@/core/judge/made';
import { processOf } from '@/core/judge/process';
import { wantsAnything } from '@/core/judge/target';
import { CARED } from '@/core/pantry/care';
import { findIngredient } from '@/core/pantry/pantry';
import { inTheBowl } from '@/core/prep/correct';
import { localDay } from '@/core/quantity/day';
import { heatIn, joiningIn } from '@/core/script/read';
import { stuckIn } from '@/server/queries/care';
import { tapsOf } from '@/server/queries/griddle';
import { keptOfBatch } from '@/server/queries/kept';
import { photosOf } from '@/server/queries/photos';
import { handsOf } from '@/server/queries/sign-in';
import { targetOf } from '@/server/queries/targets';
import { versionOfBatch } from '@/server/queries/versions';
import { AsWeighed } from '@/ui/batch/as-weighed';
import { ForetoldAndSeen } from '@/ui/batch/foretold';
import { Hands } from '@/ui/batch/hands';
import { OutcomeForm } from '@/ui/batch/outcome';
import { StuckPart } from '@/ui/house/stuck-part';
import { KeepPart } from '@/ui/kept/keep-part';
import { Photographs } from '@/ui/shared/photographs';

/** Batter kept cold, C. */
const COLD_C = 4;

export const generateMetadata = titled('batch', 'Outcome');

export default async function OutcomePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'outcome', async (b, house) => {
    const [taps, kept, stuck, photos, { target }, hands] = await Promise.all([
      tapsOf(b.id),
      keptOfBatch(b.id),
      stuckIn(b.id),
      photosOf({ batch: b.id }),
      targetOf(b.formulaId),
      handsOf(b.id),
    ]);
    const ways = waysOf(b, house);
    const bowl = bowlOf(b, ways, house, (id) => findIngredient(id, house.conventions.own));
    const { analysis, standing, script, pourings } = bowl;
    const { rails, ledger, tally } = analysis;
    const version = await versionOfBatch(b);
    const lines = version ? formulaLines(version.formula, house) : [];
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const process = processOf(b, taps);
    const { heatC, restMin, turns, heldMin } = process;
    const usual = heatIn(script);
    const usualPortion = schoolOf(kindById(b.kind), b.school).portionMl;
    const portion = b.portionMl && usualPortion ? b.portionMl / usualPortion[1] : null;
    const usualTurns = joiningIn(script).far.count;
    const strengthOf = (key: string): number => lines.find((l) => l.key === key)?.strength ?? 1;
    const surfaces = new Set(pourings.flatMap((p) => p.surfaces.map((s) => s.id)));
    const paS = analysis.thickness?.paS;
    const [fresh, tomorrow] =
      paS === undefined ? [] : fadeOf(inTheBowl(b, 1, find), { paS, batterC: COLD_C }, [0, 24 * 60]);
    return (
      <>
        <AsWeighed batch={b} units={house.units} />
        <Hands of={hands} />
        <OutcomeForm
          batch={b}
          seen={seenIn(b, taps)}
          judged={{
            kind: b.kind,
            // of the ledger and the tally what the page needs, not every row
            analysis: { rails, ledger: { ...ledger, rows: [] }, tally },
            pour: analysis.thickness?.pour ?? null,
            wantedPour: analysis.school?.pour ?? null,
            holds: inTheBowl(b, 1, find).flatMap((l) => l.parts.map((p) => p.ingredient.like ?? p.ingredient.id)),
            weakPowder: lines.some((l) => l.strength < WEAK[0]),
            ...doneAtTheHeat(b.entries, ways),
            portionMl: b.portionMl,
            usualPortion,
            usual: expectedIn(bowl, 0, ways).times,
            batterC: standing.batterC,
            heatC,
            heatZone: usual.zoneC,
            restMin,
            usualRestMin: standing.restMin,
            turns,
            usualTurns,
            heldMin,
            units: house.units,
          }}
          possible={possibleOf(
            madeOf(b, { ...process, standing, heatZone: usual.zoneC, usualTurns, portion }, strengthOf, find),
          )}
          save={saveOutcome}
          target={wantsAnything(target) ? target : null}
          stuck={
            <StuckPart
              batchId={b.id}
              gear={house.gear
                .filter((g) => CARED.includes(g.sort) && surfaces.has(g.id))
                .map(({ id, name }) => ({ id, name }))}
              noted={stuck.map((n) => n.gearId)}
              note={noteCareHere}
            />
          }
        />
        <ForetoldAndSeen held={b.foretold && b.finishedAt ? againstForetold(b.foretold, b) : []} units={house.units} />
        <div className="mx-auto mt-8 max-w-4xl">
          <Photographs
            of={{ batch: b.id }}
            photos={photos}
            acts={{ away: photoAwayHere, back: photoBackHere, shows: photoShowsHere }}
          />
        </div>
        {b.putAway ? null : (
          <div className="mx-auto mt-8 max-w-4xl">
            <KeepPart
              batch={b}
              made={localDay((b.finishedAt ?? new Date()).getTime(), house.units)}
              kept={kept}
              fadePct={fresh && tomorrow && fresh.lift > 1 ? (100 * tomorrow.lift) / fresh.lift : null}
              keep={keepHere}
            />
          </div>
        )}
      </>
    );
  });
}
