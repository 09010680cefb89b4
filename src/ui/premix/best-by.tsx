'use client';
import { keeping } from '@/core/pantry/stock';
import { useTime } from '../kit/time';

/** A best-before day, with a word where it is near or past. The date is a quality date, and no promise. */
export function BestBy({ date, today }: { readonly date: string; readonly today: string | null }) {
  const time = useTime();
  const how = today
    ? keeping({ ingredientId: '', price: null, packG: null, onHandG: null, opened: null, bestBefore: date }, today)
    : null;
  return (
    <span className={how === 'past' ? 'font-semibold text-berry' : how === 'soon' ? 'font-semibold' : ''}>
      best before {time.day(date)}
      {how === 'past' ? ': past it' : how === 'soon' ? ': soon' : ''}
    </span>
  );
}
