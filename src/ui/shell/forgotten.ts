/** A mat is laid on for minutes; past this somebody has forgotten it, s (adj). */
export const FORGOTTEN_S = 600;
