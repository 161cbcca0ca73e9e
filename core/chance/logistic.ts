/** Returns how likely something of these odds is. @param logOdds the natural logarithm of the odds */
export const logistic = (logOdds: number): number => 1 / (1 + Math.exp(-logOdds));
