import type { LampId } from '@pincer/core/case';

/** Lamps of our own drawing after the public ISO 2575 symbols. */
const SHAPES: Record<LampId, React.ReactNode> = {
  engine: <path d="M9 11h9v-3h-4V6h10v2h-4v3h4l3 4h3v-3h3v12h-3v-3h-3v5H14l-4-4H7v4H4V14h3v4h2z" />,
  oil: <path d="M3 15l6 2 3-4h6l3 3 9-4-7 12H10l-2-5-5-1zM13 9h5v2h-5zM31 19c2 3 2 5 0 6-2-1-2-3 0-6z" />,
  temperature: (
    <path d="M14 5h4v3h4v2h-4v3h4v2h-4v5a4 4 0 1 1-4 0zM3 25q3-3 6 0t6 0 6 0 6 0 6 0v2q-3 3-6 0t-6 0-6 0-6 0-6 0z" />
  ),
  charging: (
    <path d="M4 10h4V7h6v3h8V7h6v3h4v17H4zm4 8h6v2H8zm14-3h2v3h3v2h-3v3h-2v-3h-3v-2h3z" fillRule="evenodd" />
  ),
  brakes: (
    <path
      d="M18 6a11 11 0 1 1 0 22 11 11 0 0 1 0-22zm0 3a8 8 0 1 0 0 16 8 8 0 0 0 0-16zm-1.500 2h3v8h-3zm0 9.500h3v3h-3zM7 6a14 14 0 0 0 0 22l1-2a11 11 0 0 1 0-18zM29 6a14 14 0 0 1 0 22l-1-2a11 11 0 0 0 0-18z"
      fillRule="evenodd"
    />
  ),
  abs: (
    <>
      <path
        d="M18 6a11 11 0 1 1 0 22 11 11 0 0 1 0-22zm0 2.500a8.500 8.500 0 1 0 0 17 8.500 8.500 0 0 0 0-17zM7 6a14 14 0 0 0 0 22l1-2a11 11 0 0 1 0-18zM29 6a14 14 0 0 1 0 22l-1-2a11 11 0 0 0 0-18z"
        fillRule="evenodd"
      />
      <path
        d="M11.200 20.500l1.800-7h1.400l1.800 7h-1.500l-.300-1.500h-1.500l-.300 1.500zm2-2.800h.900l-.450-2.200zM16.700 13.500h2q1.700.100 1.700 1.800 0 1-.800 1.500 1 .400 1 1.700 0 2-2 2h-1.900zm1.500 1.300v1.500h.400q.500-.100.500-.750t-.500-.750zm0 2.700v1.700h.500q.600-.100.600-.850t-.600-.850zM24.800 15.200h-1.400q0-.700-.450-.700-.500 0-.500.600 0 .500.900.950 1.600.750 1.600 2.100 0 2.300-2 2.300-2 0-2-2.300h1.400q0 1.100.550 1.100.550 0 .550-.800 0-.600-.900-1.050-1.500-.700-1.500-2 0-2 1.950-2 1.800 0 1.800 1.800z"
        fillRule="evenodd"
      />
    </>
  ),
  steering: (
    <path
      d="M15 4a12 12 0 1 1 0 24 12 12 0 0 1 0-24zm0 3a9 9 0 0 0-8.500 6h17a9 9 0 0 0-8.500-6zm-9 9a9 9 0 0 0 7 9v-6zm11 9a9 9 0 0 0 7-9l-7 3zM30 8h3v12h-3zm0 14h3v3h-3z"
      fillRule="evenodd"
    />
  ),
  'high-voltage': <path d="M20 3L8 19h8l-3 12 14-17h-9l5-11z" />,
  tyre: (
    <path
      d="M9 5h3c-5 8-5 14 0 20h12c5-6 5-12 0-20h3c5 9 5 16-1 23l-2-2-2 2-2-2-2 2-2-2-2 2-2-2-2 2C4 21 4 14 9 5zm7.500 4h3v8h-3zm0 10h3v3h-3z"
      fillRule="evenodd"
    />
  ),
  gearbox: (
    <path
      d="M16 3h4l1 4 3 1 3-2 3 3-2 3 1 3 4 1v4l-4 1-1 3 2 3-3 3-3-2-3 1-1 4h-4l-1-4-3-1-3 2-3-3 2-3-1-3-4-1v-4l4-1 1-3-2-3 3-3 3 2 3-1zm.500 8v7h3v-7zm0 9v3h3v-3z"
      fillRule="evenodd"
    />
  ),
  particulate: (
    <path
      d="M2 15h5l3-5h16l3 5h5v4h-5l-3 5H10l-3-5H2zm11-1a1.500 1.500 0 1 0 0 3 1.500 1.500 0 0 0 0-3zm5 0a1.500 1.500 0 1 0 0 3 1.500 1.500 0 0 0 0-3zm5 0a1.500 1.500 0 1 0 0 3 1.500 1.500 0 0 0 0-3zm-7.500 4a1.500 1.500 0 1 0 0 3 1.500 1.500 0 0 0 0-3zm5 0a1.500 1.500 0 1 0 0 3 1.500 1.500 0 0 0 0-3z"
      fillRule="evenodd"
    />
  ),
  stability: (
    <path
      d="M10 7h16l3 8v7h-4v-3H11v3H7v-7zm3 2-2 5h14l-2-5zM8 25q4-2 6 1t6 0v2q-4 3-7 0t-5-1zM20 25q4-2 6 1t5 0v2q-4 3-6 0t-5-1z"
      fillRule="evenodd"
    />
  ),
  airbag: (
    <path d="M13 5a3 3 0 1 1 0 6 3 3 0 0 1 0-6zM9 13h6l3 8h6l4 7h-4l-3-4h-8zM24 8a6 6 0 1 1 0 12 6 6 0 0 1 0-12z" />
  ),
  glow: <path d="M3 17h7c3-9 10-9 9 0-1 7-6 6-5 0 1-9 9-9 10 0h9v3h-12c-1-4-2-3-2 0-2 9-11 8-11 0H3z" />,
  other: <path d="M18 5l14 24H4zm-1.500 8h3v8h-3zm0 10h3v3h-3z" fillRule="evenodd" />,
};

/** A warning lamp; its meaning is always told in words beside it. */
export function Lamp({ lamp, size = 34 }: { lamp: LampId; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 36 34"
      fill="currentColor"
      className="shrink-0"
      aria-hidden="true"
    >
      {SHAPES[lamp]}
    </svg>
  );
}
