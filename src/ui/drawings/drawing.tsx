import type { ReactNode } from 'react';

interface Props {
  readonly width: number;
  readonly height: number;
  readonly className: string;
  readonly children: ReactNode;
}

/** The hand all larger drawings are in: one even line in the colour of the words, which say the same. */
export function Drawing({ width, height, className, children }: Props) {
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.5"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      {children}
    </svg>
  );
}
