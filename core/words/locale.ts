/** Languages that sentences can be said in, as BCP 47 tags. A new one is a new column in each table of this room. */
export type Locale = 'en'
export const LOCALE: Locale = 'en'
