/** Gives the browser a file that was made on this device: it needs no signal. */
export function download(name: string, file: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  link.click()
  // Later: some browsers read it only after the click is over.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
