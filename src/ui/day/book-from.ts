import type { Book } from '@/core/day/book';

/** A batch's book as a page loads it. */
export const bookFrom = (b: Omit<Book, 'taps'>, taps: Book['taps']): Book => ({ taps, entries: b.entries, ticked: b.ticked, weights: b.weights });
