/**
 * When the standard's codes come and go, by trip and warm-up. One table for what is judged, what the stand-in does and
 * what is told. A trip is a drive on which the code's self-check has run; a warm-up is one from cold to working heat.
 */
export const LAMP_RULES = {
  /**
   * Failing trips running until a code is confirmed and the lamp lights. The first makes it pending.
   * 13 CCR 1968.2 (d)(2.2), United States; UN R83 annex 11, 3.5, Europe, which allows a maker up to ten for some checks.
   */
  tripsToConfirm: 2,
  /** Trips without the fault, running, until the lamp goes out. 13 CCR 1968.2 (d)(2.3); UN R83 annex 11, 3.7. */
  goodTripsToLampOut: 3,
  /** Warm-ups with the lamp out until the code is forgotten. 13 CCR 1968.2 (d)(2.4); UN R83 annex 11, 3.8. */
  warmUpsToForget: 40,
} as const;
