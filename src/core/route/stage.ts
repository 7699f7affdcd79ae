import type { Stage } from '../stages/stage'
import { ROUTE_JUDGED, unjudgedRoute } from './judged'
import { ROUTE_REGISTER } from './limits'
import { routeLoad } from './load'
import type { Route } from './plan'
import { assessRoute, proposeRoute } from './route'
import { routeTasks } from './tasks'

export const routeStage = {
  title: 'Route',
  question: 'Which way does the cable go, how much, from which box?',
  heading: 'How much cable',
  propose: proposeRoute,
  assess: assessRoute,
  judged: ROUTE_JUDGED,
  unjudged: unjudgedRoute,
  tasks: routeTasks,
  load: routeLoad,
  cause: 'cable unsupported',
  register: ROUTE_REGISTER,
} as const satisfies Stage<Route, unknown>
