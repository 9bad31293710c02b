/**
 * Level in a cylinder that lies, as a share of its diameter, when it holds a share of its volume: the angle of the
 * segment from φ − sin φ = 2π·share by Newton's steps kept inside a bracket.
 *
 * @param share 0 … 1; values outside are taken for the ends
 * @example horizontalCylinderLevel(0.5) // 0.5
 */
export function horizontalCylinderLevel(share: number): number {
  if (!(share > 0)) return 0
  if (share >= 1) return 1
  const wanted = 2 * Math.PI * share
  let [low, high] = [0, 2 * Math.PI]
  let angle = Math.PI
  for (let round = 0; round < 60; round++) {
    const miss = angle - Math.sin(angle) - wanted
    if (miss > 0) high = angle
    else low = angle
    let next = angle - miss / (1 - Math.cos(angle))
    if (!(next > low && next < high)) next = (low + high) / 2
    if (Math.abs(next - angle) < 1e-13) break
    angle = next
  }
  return (1 - Math.cos(angle / 2)) / 2
}
