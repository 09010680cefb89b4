import type { PersonMark } from '@/core/morning/people';

/** Line art of our own, on a plate of 24. */
const LINES: Readonly<Record<PersonMark, string>> = {
  whisk: 'M12 14 V21 M12 14 C7 12 7 5 12 3 C17 5 17 12 12 14 M12 14 C10 11 10 6 12 3 C14 6 14 11 12 14',
  ladle: 'M16 3 V14 M16 14 C16 19 6 19 6 14 Z',
  egg: 'M12 4 C16 4 18 10 18 14 C18 18 15 20 12 20 C9 20 6 18 6 14 C6 10 8 4 12 4 Z',
  leaf: 'M5 19 C4 10 9 5 19 5 C20 14 15 20 7 17 M5 19 L13 11',
  wave: 'M3 10 C6 6 9 6 12 10 C15 14 18 14 21 10 M3 16 C6 12 9 12 12 16 C15 20 18 20 21 16',
  sun: 'M12 8 A4 4 0 1 1 11.9 8 Z M12 2 V4 M12 20 V22 M2 12 H4 M20 12 H22 M5 5 L6.5 6.5 M17.5 17.5 L19 19 M19 5 L17.5 6.5 M6.5 17.5 L5 19',
  oar: 'M4 20 L13 11 M13 11 C12 8 16 3 20 4 C21 8 16 12 13 11 Z',
  lantern: 'M8 9 H16 L17 19 H7 Z M9 9 C9 5 15 5 15 9 M12 3 V5 M12 12 V16',
};

/** A person's drawn mark; its name stands beside it. */
export const PersonMarkIcon = ({ mark }: { readonly mark: PersonMark }) => (
  <svg
    viewBox="0 0 24 24"
    className="size-7 shrink-0 text-rim"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.8"
    strokeLinecap="round"
    strokeLinejoin="round"
    aria-hidden="true"
  >
    <path d={LINES[mark]} />
  </svg>
);
