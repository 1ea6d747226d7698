/** What a mover counts in. */
export const moverUnits = { servo: '°', motor: '%' } as const;
