/** Money as it is written on paper: hundredths, and what it is called behind. */
export const money = (value: number, currency: string | null): string => `${value.toFixed(2)}${currency ? ` ${currency}` : ''}`;
