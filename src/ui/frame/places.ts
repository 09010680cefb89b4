/** The places that the frame leads to. */
export const PLACES = [
  { to: '/', here: 'today', name: 'Today' },
  { to: '/pantry', here: 'pantry', name: 'Pantry' },
  { to: '/premix', here: 'premix', name: 'Premix' },
  { to: '/log', here: 'log', name: 'Log' },
] as const;

export const MORE = [
  { to: '/formulas/new', here: 'bench', name: 'New formula' },
  { to: '/sides', here: 'sides', name: 'Sauces and sides' },
  { to: '/kept', here: '', name: 'Kept' },
  { to: '/pantry/measures', here: '', name: 'My measures' },
  { to: '/pantry/take-out', here: '', name: 'What to get' },
  { to: '/premix/recall', here: '', name: 'Where a lot went' },
  { to: '/practice', here: 'practice', name: 'Practice' },
  { to: '/house', here: 'house', name: 'House' },
] as const;

/** Where the frame and Today lead: what of it somebody's role does not open is not offered. */
export const PLACES_OF_THE_FRAME: readonly string[] = [...[...PLACES, ...MORE].map((p) => p.to), '/mornings/new'];
