/** Two jaws and what they hold. */
export function Mark({ size = 30 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d="M3 3h11l-4 8 4 5-4 5 4 8H3z" fill="var(--car)" />
      <path d="M29 3H18l4 8-4 5 4 5-4 8h11z" fill="var(--own)" />
      <circle cx="16" cy="16" r="2.6" fill="var(--ink)" />
    </svg>
  );
}
