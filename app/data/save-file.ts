/** Gives the person a file: text as CSV unless it is of another type. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type = 'text/csv'): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ')
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
