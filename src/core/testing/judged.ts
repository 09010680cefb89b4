import type { Judged } from '../judge/evidence';

/** A batch of which nothing was told, made as is usual: tests of judging say only what differs. */
export const JUDGED_AS_USUAL = {
  portionMl: 60,
  usualPortion: [60, 60],
  firstS: null,
  secondS: null,
  usual: { first: 140, second: 90 },
  batterC: 22,
  heatC: null,
  heatZone: [165, 190],
  restMin: null,
  usualRestMin: 10,
  turns: null,
  usualTurns: 16,
  heldMin: null,
  weakPowder: false,
  panFat: 'usual',
  flip: 'usual',
  units: { temperature: 'C' },
} as const satisfies Partial<Judged>;
