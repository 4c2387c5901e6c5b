/** What a hand does at a device that is made believe: grams laid on the scale, seconds that something falls through the gate. */
export interface BenchInput {
  readonly value: number;
}
