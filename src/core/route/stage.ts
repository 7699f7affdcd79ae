import type { DeviceContext } from '../parts'
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
  tasks: (context) => {
    const { route } = context.device
    return route ? routeTasks(context, route) : []
  },
  load: (context, marked) => {
    const { route } = context.device
    return route ? routeLoad(context, marked, route) : { items: [] }
  },
  cause: 'cable unsupported',
  register: ROUTE_REGISTER,
} as const satisfies Stage<Route, unknown, DeviceContext>
