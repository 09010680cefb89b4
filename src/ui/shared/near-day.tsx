import { daysBetween } from '@/core/pantry/stock';

/** How near its day it is, a space before it. */
export function NearDay({ bestBy, today }: { readonly bestBy: string; readonly today: string | null }) {
  if (today === null) return null;
  const days = daysBetween(today, bestBy);
  if (days < 0) return <strong className="text-berry"> past it</strong>;
  return days <= 3 ? (
    <strong>{days === 0 ? ' use it now' : ` ${days} ${days === 1 ? 'day' : 'days'} left`}</strong>
  ) : null;
}
