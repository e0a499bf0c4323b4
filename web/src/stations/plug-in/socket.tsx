/** The 16-pin socket: long row, short row, and the pins that matter (SAE J1962). */
export function Socket() {
  const named: Record<number, string> = { 4: 'ground', 5: 'ground', 6: 'CAN', 14: 'CAN', 16: 'battery +' };
  const pin = (n: number, x: number, y: number) => (
    <g key={n}>
      <rect
        x={x}
        y={y}
        width="20"
        height="16"
        rx="2"
        fill={named[n] ? 'var(--ink)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text
        x={x + 10}
        y={y + 12}
        textAnchor="middle"
        fontSize="10"
        fontFamily="var(--font-mono)"
        fill={named[n] ? 'var(--sheet)' : 'var(--ink)'}
      >
        {n}
      </text>
    </g>
  );
  return (
    <figure>
      <svg
        viewBox="0 0 260 96"
        role="img"
        aria-label="The socket from the front: a long row with pins 1 to 8 above a short row with pins 9 to 16, slanted sides. Pin 16 is battery plus, 4 and 5 ground, 6 and 14 CAN."
      >
        <path
          d="M10 8h240l-22 80H32z"
          fill="var(--sheet-2)"
          stroke="var(--ink)"
          strokeWidth="2.5"
          strokeLinejoin="round"
        />
        {[1, 2, 3, 4, 5, 6, 7, 8].map((n, i) => pin(n, 27 + i * 26.5, 20))}
        {[9, 10, 11, 12, 13, 14, 15, 16].map((n, i) => pin(n, 36 + i * 24, 58))}
      </svg>
      <figcaption className="text-[14px] text-ink-2">
        Long row up or down, never forced. 16 battery +, 4 and 5 ground, 6 and 14 CAN.
      </figcaption>
    </figure>
  );
}
