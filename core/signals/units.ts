/** Kilometres of an international mile, metres of a foot: exact by definition (1959). */
export const KM_PER_MILE = 1.609344;
export const M_PER_FOOT = 0.3048;
/** Kilopascals of a pound-force per square inch. */
export const KPA_PER_PSI = 6.894757;
