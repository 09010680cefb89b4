import type { Offer } from '@/core/formula/offers';
import { MATTERS, MEASURED } from '@/core/formula/schools';
import { wayName } from '@/core/formula/ways';
import { capital } from '@/core/quantity/say';

/** What an offer of a card sets, as its button or its row says it. */
export function offerSaid(o: Offer): string {
  switch (o.what) {
    case 'way':
      return `${MATTERS[o.way].name}: ${wayName(o.way, o.value)}`;
    case 'measure':
      return `${MEASURED[o.of].name}: ${o.says}`;
    case 'portion':
      return `Portion: ${o.says}`;
    case 'texts':
    case 'moment':
    case 'act':
    case 'lines':
    case 'rows':
      return capital(o.says);
  }
}
