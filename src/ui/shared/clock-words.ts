import { minutesAndSeconds } from '@/core/quantity/say';

export const ACT_WORDS = {
  pour: 'Pour',
  flip: 'Turn',
  pull: 'Take off',
  join: 'Combine bowl',
  wait: 'Not yet',
  move: 'Move',
} as const;
export const DONE_WORDS = { pour: 'Poured', flip: 'Turned', pull: 'Taken off' } as const;

/** "1:20" of so many milliseconds. */
export const clock = (ms: number): string => minutesAndSeconds(Math.max(0, Math.round(ms / 1000)));
