import type { UsualWork } from '../model/machine'
import { withArticle } from './measurements/pieces'

/** Steps of a work of the trade, with the part called by its name. @param title of the part */
export const describeWork = ({ work }: UsualWork, title: string): { text: string; caution: string | undefined }[] =>
  work.steps.map((step) => {
    const { do: text, caution } = typeof step === 'string' ? { do: step, caution: undefined } : step
    return { text: text.replaceAll('<it>', withArticle(title)), caution }
  })
