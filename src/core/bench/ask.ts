/** A question that a card leaves, with choices that are taken with one tap. */
import type { Offer } from '../formula/offers';

export interface MethodAsk {
  /** The clause that leaves it open. */
  readonly words: string;
  readonly asks: string;
  /** None of another thing than the others. */
  readonly choices: readonly Offer[];
}

/** What stands for a question that the cook has left as it is. */
export const askKey = (words: string): string => `ask:${words.slice(0, 48)}`;
