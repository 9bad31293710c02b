/** What a tool is called, asks for, gives and means. */
export interface ToolWords {
  title: string
  /** What it is for, in one sentence. */
  use: string
  /** Labels by field, by choice and by outcome. */
  labels: Readonly<Record<string, string>>
  /** What it comes to, in one sentence each. */
  means: Readonly<Record<string, string>>
}
