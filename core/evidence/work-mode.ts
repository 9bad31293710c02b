/** What a test asks of machine and hands: powered, isolated and proved dead, water lines opened, or senses and displays alone. */
export type WorkMode = 'energised' | 'isolated' | 'water' | 'observe'
