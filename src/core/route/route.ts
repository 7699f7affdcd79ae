import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { SPACES } from '../job/choices'
import type { Route } from '../job/job'
import { remembered, type DeviceContext } from '../parts'
import { quantity, text } from '../units'
import { cordLimitM, cutM, installedM, lengthItems, lengthUsedM, segmentM, supports, type LengthItem } from './length'
import { ROUTE_LIMITS } from './limits'

/** What the route strip draws: stretches in proportion, metres. */
export interface RouteStrip {
  readonly stretches: readonly { readonly name: string; readonly lengthM: number; readonly riseM: number; readonly temperatureC: number }[]
  readonly items: readonly LengthItem[]
  readonly installedM: number
  readonly cutM: number
  readonly limitM: number | null
  readonly usedM: number
}

/** Start values: one stretch the way the surface suggests. */
export function proposeRoute({ facing, exposure, cable }: DeviceContext): Route {
  const space = facing === 'down' ? 'loft' : exposure.outdoors ? (cable.outdoor ? 'clipped outside' : 'wall cavity') : 'trunking indoors'
  return { segments: [{ id: 'way-1', space, lengthM: 15, riseM: 3, temperatureC: SPACES[space].temperatureC, conduitId: null }], cordsM: 2, leadLengthM: null }
}

/** Installed and cut length of a device's run, metres; zero lengths where no route is planned. */
export function runLengths(context: DeviceContext, route: Route | null) {
  return route ? lengthsOf(context, route) : NO_RUN
}

const NO_RUN = { installedM: 0, cutM: 0, usedM: 0, items: [] as readonly LengthItem[] }

const lengthsOf = remembered((context, route: Route): typeof NO_RUN => {
  const items = lengthItems(context, route)
  const runM = installedM(items)
  return { installedM: runM, cutM: cutM(items), usedM: lengthUsedM(route, runM, context.cable), items }
})

/** Everything `route` has to say of one device from its record. */
export function assessRoute(context: DeviceContext, route: Route): StageAssessment<RouteStrip> {
  const { cable } = context
  const run = runLengths(context, route)
  const limitM = cable.kind === 'pair' ? ROUTE_LIMITS.fixedLinkM.value : cable.longestRunM
  const lead = route.leadLengthM

  const figures: Figure[] = [
    lead === null ? { label: 'Cut', reading: quantity(run.cutM, 'cut') } : { label: 'Ready-made lead', reading: quantity(lead, 'length') },
    ...(lead === null ? run.items.map(({ label, lengthM }) => ({ label: `· ${label}`, reading: quantity(lengthM, 'length') })) : []),
    { label: 'Installed', reading: quantity(run.installedM, 'length') },
    ...(cable.kind === 'pair' ? [{ label: 'Counts as, at 20 °C', reading: quantity(run.usedM, 'length') }] : []),
    ...supports(route).map(({ name, count }) => ({ label: `Take: ${name}, with spares`, reading: quantity(count, 'count') })),
    { label: 'Bend no tighter than, radius', reading: quantity(cable.diameterMm * ROUTE_LIMITS.bendRadius.value, 'size') },
  ]
  const findings = [
    emptyFinding(route),
    ...lengthFindings(context, route, run),
    ...heatFindings(context, route),
    ...conduitFindings(context, route),
    ...leadFindings(context, route, run.installedM),
    weatherFinding(context, route),
  ].filter((f) => f !== null)

  return {
    headline: lead === null ? quantity(run.cutM, 'cut') : quantity(lead, 'length'),
    figures,
    findings,
    drawing: {
      stretches: route.segments.map((segment) => ({ name: SPACES[segment.space].name, lengthM: segmentM(segment), riseM: segment.riseM, temperatureC: segment.temperatureC })),
      items: run.items, installedM: run.installedM, cutM: run.cutM, limitM, usedM: cable.kind === 'pair' ? run.usedM : run.installedM,
    },
  }
}

type Run = ReturnType<typeof runLengths>

function emptyFinding(route: Route): Finding | null {
  if (route.segments.length > 0) return null
  return finding('route', 'empty', { verdict: 'check', title: 'No way is drawn', figure: quantity(0, 'count'), limit: quantity(1, 'count'), reason: 'Only the slacks are counted.', source: 'job', advice: 'Add the stretches from the device to the head end.' })
}

function lengthFindings({ cable, say }: DeviceContext, route: Route, run: Run): Finding[] {
  if (cable.kind !== 'pair') {
    const longest = cable.longestRunM ?? Infinity
    const common = { figure: quantity(run.installedM, 'length'), limit: cable.longestRunM === null ? null : quantity(cable.longestRunM, 'length'), source: cable.source }
    if (run.installedM <= longest) return [finding('route', 'length', { ...common, verdict: 'good', title: 'Short enough for its signal', reason: `${cable.name} carries it.` })]
    return [finding('route', 'length', { ...common, verdict: 'stop', title: 'Too long for its signal', reason: `${cable.name} weakens the picture beyond that.`, advice: 'Put an amplifier on the way, take thicker coax, or go to fibre.' })]
  }
  const { fixedLinkM, channelM } = ROUTE_LIMITS
  const findings: Finding[] = []
  const hot = run.usedM - run.installedM > 0.5
  const reason = hot ? `${say(run.installedM, 'length')} installed; the warm stretches make it count as ${say(run.usedM, 'length')} at 20 °C.` : 'Installed length, slack included; cut-off and waste do not count.'
  const common = { figure: quantity(run.usedM, 'length'), limit: quantity(fixedLinkM.value, 'length'), reason, source: hot ? 'tia-568-heat' : fixedLinkM.source } as const
  if (run.usedM <= fixedLinkM.value) {
    findings.push(finding('route', 'length', { ...common, verdict: 'good', title: 'Within the fixed link' }))
  } else {
    const over = run.usedM - fixedLinkM.value
    findings.push(finding('route', 'length', {
      ...common, verdict: run.installedM <= fixedLinkM.value ? 'check' : 'stop', title: hot ? 'Too long for its heat' : 'Longer than the fixed link',
      advice: `Save ${say(over, 'length')}: a cooler or shorter way, a switch mid-way, or fibre.${cable.screened ? '' : ' Screened cable loses about half as much to heat.'}`,
    }))
  }
  const cords = cordLimitM(run.usedM, cable.awg ?? 24)
  const channel = run.usedM + route.cordsM
  if (run.usedM <= fixedLinkM.value && (route.cordsM > cords || channel > channelM.value)) {
    findings.push(finding('route', 'cords', {
      verdict: 'check', title: 'Patch leads too long for this link', figure: quantity(route.cordsM, 'length'), limit: quantity(Math.min(cords, Math.max(0, channelM.value - run.usedM)), 'length'), reason: 'Link and leads together make the channel.', source: 'tia-568-heat', advice: 'Take shorter patch leads.',
    }))
  }
  return findings
}

function heatFindings({ say }: DeviceContext, route: Route): Finding[] {
  const { hottestC } = ROUTE_LIMITS
  const hottest = route.segments.reduce((most, { temperatureC }) => Math.max(most, temperatureC), -Infinity)
  if (hottest <= hottestC.value) return []
  return [finding('route', 'heat', {
    verdict: 'stop', title: 'Too hot for the cable', figure: quantity(hottest, 'temperature'), limit: quantity(hottestC.value, 'temperature'), reason: 'The length table ends there, and so do ordinary jackets.', source: hottestC.source, advice: `Go round the hot space, or bring it under ${say(hottestC.value, 'temperature')}.`,
  })]
}

function conduitFindings({ cable, catalogue }: DeviceContext, route: Route): Finding[] {
  const { conduitFillOne } = ROUTE_LIMITS
  return route.segments.flatMap((segment) => {
    const conduit = segment.conduitId === null ? undefined : catalogue.conduits.get(segment.conduitId)
    if (!conduit || segment.space !== 'conduit') return []
    const fill = (100 * (Math.PI / 4) * cable.diameterMm ** 2) / conduit.boreAreaMm2
    if (fill <= conduitFillOne.value) return []
    return [finding('route', `conduit-${segment.id}`, {
      verdict: 'check', title: 'Tight in the conduit', figure: quantity(fill, 'share'), limit: quantity(conduitFillOne.value, 'share'), reason: `One ${cable.name} in ${conduit.name}. A guide for a clean pull; codes exempt communications cable.`, source: conduitFillOne.source, advice: 'Take the next size of conduit.',
    })]
  })
}

function leadFindings({ say }: DeviceContext, route: Route, runM: number): Finding[] {
  const lead = route.leadLengthM
  if (lead === null) return []
  if (lead < runM) return [finding('route', 'lead', { verdict: 'stop', title: 'The ready-made lead is too short', figure: quantity(lead, 'length'), limit: quantity(runM, 'length'), reason: 'It is never cut or lengthened.', source: 'practice', advice: `Take a lead of ${say(runM, 'length')} or more.` })]
  return [finding('route', 'lead', { verdict: 'good', title: 'The ready-made lead reaches', figure: quantity(lead, 'length'), limit: quantity(runM, 'length'), reason: `Coil ${say(lead - runM, 'length')} where it can be reached.`, source: 'practice' })]
}

function weatherFinding({ cable }: DeviceContext, route: Route): Finding | null {
  const outside = route.segments.find(({ space }) => space === 'clipped outside' || space === 'under decking')
  if (cable.outdoor || !outside) return null
  return finding('route', 'jacket', {
    verdict: 'stop', title: 'Indoor cable in the open', figure: text(cable.name), limit: text('outdoor jacket'), reason: `${SPACES[outside.space].name}: sunlight and wet break an indoor jacket.`, source: 'practice', advice: 'Take outdoor cable, or stay indoors.',
  })
}

