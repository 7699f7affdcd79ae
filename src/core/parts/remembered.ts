import type { DeviceContext } from './resolve'

/**
 * A computation that several stages and the steps ask for with the same context and input: done once for
 * the last input of each context. The answer must be treated as read-only.
 */
export function remembered<Input extends object, Result, Context extends object = DeviceContext>(
  compute: (context: Context, input: Input) => Result,
): (context: Context, input: Input) => Result {
  const known = new WeakMap<Context, { readonly input: Input; readonly result: Result }>()
  return (context, input) => {
    const last = known.get(context)
    if (last?.input === input) return last.result
    const result = compute(context, input)
    known.set(context, { input, result })
    return result
  }
}
