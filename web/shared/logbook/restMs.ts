/** What is typed is not remarked upon before it has rested so long, ms. */
export const restMs = 700;
