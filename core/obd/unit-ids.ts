/**
 * Whether an id is one on which a control unit answers a question to all (ISO 15765-4: 11 bits 7E8 to 7EF, 29 bits
 * 18DAF1xx).
 */
export const isStandardAnswerId = (id: string): boolean => /^(7E[89A-F]|18DAF1[0-9A-F]{2})$/.test(id);
