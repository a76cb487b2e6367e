/** A share as people say it: 0.745 is "75%". `formatPercent(0.745)` gives `"75%"`. */
export const formatPercent = (share: number): string => `${Math.round(share * 100)}%`;
