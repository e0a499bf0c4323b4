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
  /**
   * A misfire or mixture code counts a trip as good only near the conditions that were stored: within 375 rpm, 20 % of
   * the load and the same state of warmth; it waits for them up to so many trips. 13 CCR 1968.2 (e)(3.4), (e)(6.4).
   */
  tripsToWaitForSimilar: 80,
  similarWithin: { rpm: 375, loadShare: 0.2 },
} as const;
