/**
 * The first field of a form or sheet whose words are not understood: it is brought into view and its words
 * come back, so that nothing goes on as if it had been left alone. Null when every field can be read.
 */
export function unread(form: HTMLElement | null): string | null {
  const field = form?.querySelector<HTMLInputElement>('input[aria-invalid=true], textarea[aria-invalid=true]')
  if (!field) return null
  field.focus()
  const name = field.labels?.[0]?.textContent ?? 'A field'
  return `${name}: "${field.value}" cannot be read. Write it again, or press Escape to take it back.`
}
