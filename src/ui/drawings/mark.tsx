/** Our mark: an enamel bowl with an even crumb on it. */
export function MarkIcon({ className = '' }: { readonly className?: string }) {
  return (
    <svg
      viewBox="0 0 40 40"
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.6"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      <path d="M3 17 H37 C37 29 30 35 20 35 C10 35 3 29 3 17 Z" />
      <path d="M9 11 C9 6 31 6 31 11" />
      <path d="M13 24 h.1 M20 27 h.1 M27 24 h.1 M16.5 29.5 h.1 M23.5 29.5 h.1" />
    </svg>
  );
}
