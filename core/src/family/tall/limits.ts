/** No tower of these is higher, m: all sticks in one line and a joint's 30 mm each. */
export function highestStack(sticks: number, joints: number, stickM: number): number {
  return sticks * stickM + 0.03 * joints;
}
