/** Makes something of an object once, and keeps it while the object is there. Nobody writes in either. */
export function oncePer<Of extends object, Made>(make: (of: Of) => Made): (of: Of) => Made {
  const known = new WeakMap<Of, { readonly made: Made }>()
  return (of) => {
    const kept = known.get(of)
    if (kept) return kept.made
    const made = make(of)
    known.set(of, { made })
    return made
  }
}
