/** What a sheet calls live and dead work. */
export const WORK = { anything: 'anything', dead: 'isolated', live: 'energised', water: 'water' } as const
