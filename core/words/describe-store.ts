/** Where a part that went in came from. */
export const STORES = ['van', 'shop', 'bought', 'customer'] as const

const SAYS: Record<(typeof STORES)[number], string> = {
  van: 'from the van',
  shop: 'from the shop',
  bought: 'bought for it',
  customer: "the customer's own",
}

export const describeStore = (store: (typeof STORES)[number]): string => SAYS[store]
