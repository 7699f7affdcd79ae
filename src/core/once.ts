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

interface WhileSame<Of, Made> {
  (of: Of, restsOn: readonly unknown[], make: () => Made): Made
  /** What is kept of it; null where nothing is, or of something else. */
  readonly known: (of: Of, restsOn: readonly unknown[]) => Made | null
}

/** The same of what rests on more than the object: made anew once any of the rest is another. */
export function whileSame<Of extends object, Made>(): WhileSame<Of, Made> {
  const all = new WeakMap<Of, { readonly restsOn: readonly unknown[]; readonly made: Made }>()
  const known = (of: Of, restsOn: readonly unknown[]) => {
    const kept = all.get(of)
    const same = kept?.restsOn.length === restsOn.length && kept.restsOn.every((one, i) => one === restsOn[i])
    return same ? kept : null
  }
  const keep = (of: Of, restsOn: readonly unknown[], make: () => Made) => {
    const kept = known(of, restsOn)
    if (kept) return kept.made
    const made = make()
    all.set(of, { restsOn, made })
    return made
  }
  return Object.assign(keep, {
    known: (of: Of, restsOn: readonly unknown[]) => known(of, restsOn)?.made ?? null,
  })
}
