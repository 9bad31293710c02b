/** Gives the person a file of text. */
export function saveFile(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  const link = document.createElement('a')
  link.href = url
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ')
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
