import { TableHead } from '../kit/table-head';
import { Wide } from '../kit/wide';

interface Row {
  readonly at: string;
  readonly what: string;
  readonly answer: string;
  readonly person: string | null;
  readonly device: string | null;
}

/** Acts that have another name for a cook than for the server. */
const CALLED: Readonly<Record<string, string>> = {
  'tell-events': 'ticks and taps',
  'let-device-out': 'a device let out',
  'pairing-code': 'a code shown',
  'set-pin': 'a PIN given',
  'drop-pin': 'a PIN taken away',
  'sign-in': 'signed',
  'sign-off': 'signed off',
  lock: 'left alone',
};
const ANSWERS: Readonly<Record<string, string>> = { away: 'waits', invalid: 'refused' };

/** What was done on the devices, the last first, and the file with all of it. */
export const DoorLog = ({ rows, isAll }: { readonly rows: readonly Row[]; readonly isAll: boolean }) => (
  <section aria-label="What was done" className="mt-6 min-w-0 rounded-plate bg-white p-4">
    <div className="mb-2 flex flex-wrap items-baseline gap-3">
      <h2 className="mr-auto text-xl">What was done on the devices</h2>
      <a href="/house/devices/log?what=door" download className="font-semibold text-rim underline">
        {isAll ? 'As a table (CSV)' : 'All of it as a table (CSV)'}
      </a>
    </div>
    <Wide label="What was done on the devices" plate={false}>
      <table aria-label="What was done on the devices" className="w-full">
        <TableHead columns={['When', 'Who', 'Device', 'What']} />
        <tbody>
          {rows.map((r, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows of a log have no name, and never change places
            <tr key={n} className="border-b border-line align-top last:border-b-0">
              <td className="py-1.5 pr-3 whitespace-nowrap">{r.at}</td>
              <td className="py-1.5 pr-3">{r.person ?? '–'}</td>
              <td className="py-1.5 pr-3">{r.device ?? 'this machine'}</td>
              <td className="py-1.5">
                {CALLED[r.what] ?? r.what.replaceAll('-', ' ')}
                {r.answer === 'done' ? '' : `, ${ANSWERS[r.answer] ?? r.answer}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  </section>
);
