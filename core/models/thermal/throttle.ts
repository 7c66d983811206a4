/** Where flash drives begin to slow themselves down, °C [memory]. */
export const THROTTLES_AT = 72;
