import type { Finding } from '@/core/findings/finding';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';

/**
 * What of the version that is made is still a stop or a disagreement: said once more before hands act on it, with the
 * way back.
 */
export function Unsettled({ findings, back }: { readonly findings: readonly Finding[]; readonly back: string }) {
  const [first] = findings;
  if (!first) return null;
  return (
    <Notice weight={first.severity} role="status">
      <ul className="grid gap-1">
        {findings.map((f) => (
          <li key={f.code}>{f.message}</li>
        ))}
      </ul>
      <p className="mt-1">
        <Link href={back} className="inline-flex min-h-11 items-center font-semibold text-rim underline">
          Answer it on the Bench
        </Link>
      </p>
    </Notice>
  );
}
