import type { Metadata } from 'next';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { kitchenState } from '@/server/usecases/look-around';
import { recordsFacts } from '@/server/usecases/records';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { RecordsView } from '@/ui/house/records-view';
import { when } from '@/ui/kit/when';
import packageJson from '../../../../package.json';
import { backUpNow, checkAll, keepBackups, setAsidePart } from './actions';

export const metadata: Metadata = { title: 'Records' };

const WHY = {
  asked: 'asked for',
  nightly: 'nightly',
  migration: 'before the records were brought up to date',
  restore: 'before a restore',
} as const;

/** How large the records are, where they stand, how they are kept safe, and whether all of it can be read. */
export default async function RecordsPage() {
  const r = await reach(() => Promise.all([recordsFacts(), loadHouse(), kitchenState()]));
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  const [facts, house, { empty }] = r.value;
  return (
    <Frame here="house">
      <h1 className="mb-3 text-[26px]">Records</h1>
      <RecordsView
        facts={{ ...facts, version: packageJson.version, now: when(new Date(), house.units) }}
        backups={facts.backups.map((b) => ({
          file: b.file,
          at: when(b.at, house.units),
          why: WHY[b.why],
          bytes: b.bytes,
          rows: b.rows,
        }))}
        unreadable={house.unreadable ?? []}
        empty={empty}
        backUp={backUpNow}
        keepSoMany={keepBackups}
        check={checkAll}
        putAside={setAsidePart}
      />
    </Frame>
  );
}
