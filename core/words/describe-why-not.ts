/** Why a part is not suspected, or that it is. */
export type WhyNot =
  | { type: 'suspected' }
  /** It does not explain what the customer says. */
  | { type: 'never' }
  /** The readings that speak against it, the strongest first. */
  | { type: 'cleared'; by: { title: string; text: string }[] }
  /** None of them does alone. */
  | { type: 'together' }

/** Why not this part. @param title its name */
export function describeWhyNot(title: string, why: WhyNot): string {
  switch (why.type) {
    case 'suspected':
      return `The ${title} is still suspected.`
    case 'never':
      return `The ${title} does not explain what the customer says.`
    case 'together':
      return `Several readings together speak against the ${title}.`
    case 'cleared':
      return `Why not the ${title}? ${why.by.map((b) => `${b.title}: ${b.text}`).join('; ')}.`
  }
}
