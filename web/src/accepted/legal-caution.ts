/** What the law may say of a code that somebody lives with. */
export const LEGAL_CAUTION =
  'In most places it is illegal to remove or defeat emissions equipment, and this code may fail an inspection: check your local rules. Accepting it here changes nothing in the {car}; it only sets the code apart so that new ones stand out.';
