/** Whole numbers without a sign for zero; −12 with a true minus. */
export const signed = (value: number): string => {
  const rounded = Math.round(value);
  return rounded < 0 ? `−${-rounded}` : String(rounded);
};
