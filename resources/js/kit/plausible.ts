/** What lengths may be before a bare number is asked about, mm: 14 is no bucket in millimetres, and 350 none in inches. */
export const VESSEL = [50, 2500] as const;
export const HEIGHT = [30, 2000] as const;
export const HOLE = [12, 330] as const;
export const CUP = [10, 400] as const;
