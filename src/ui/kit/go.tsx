'use client'

import { usePathname } from 'next/navigation'
import type { ComponentProps, MouseEvent } from 'react'

/**
 * Ways inside a job. Screens change on the device alone and the address follows: nothing is fetched, so
 * that a dead spot or a server that is gone takes no screen away. The framework hears of addresses put into
 * the history.
 */
export function go(href: string, { replace = false }: { replace?: boolean } = {}): void {
  if (asleep()) window.location.assign(href)
  else if (replace) window.history.replaceState(null, '', href)
  else window.history.pushState(null, '', href)
  window.scrollTo(0, 0)
}

/**
 * While a page wakes up, its buttons answer a moment before the framework hears of addresses: until then the
 * browser follows links itself.
 */
const asleep = (): boolean => window.neatBracketTap?.done === false

/**
 * A link inside a job: a plain one, so that it works before the page has woken up, opens in new tabs, and
 * is copied.
 */
export function GoLink({ href, onClick, ...rest }: ComponentProps<'a'> & { href: string }) {
  const click = (event: MouseEvent<HTMLAnchorElement>) => {
    onClick?.(event)
    const elsewhere = event.ctrlKey || event.metaKey || event.shiftKey || event.altKey || event.button !== 0
    if (event.defaultPrevented || elsewhere || asleep()) return
    event.preventDefault()
    go(href)
  }
  return <a {...rest} href={href} onClick={click} />
}

/** The words of the address behind the job's own. */
export function useWay(jobId: string): string[] {
  return wayOf(jobId, usePathname())
}

export function wayOf(jobId: string, here: string): string[] {
  const home = `/jobs/${jobId}`
  return here.startsWith(home)
    ? here.slice(home.length).split('/').filter(Boolean).map(decodeURIComponent)
    : []
}

/**
 * Brings the current one of a row of links into view where there is not room for all; just before the page is
 * painted, when it has been laid out anyway.
 */
export function intoView(link: HTMLAnchorElement | null): void {
  if (link) requestAnimationFrame(() => link.scrollIntoView({ inline: 'center', block: 'nearest' }))
}
