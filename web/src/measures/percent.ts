/** A share in percent: of small ones a digit more. */
export const percentOf = (share: number) => `${share < 0.095 ? (share * 100).toFixed(1) : String(Math.round(share * 100))} %`;
